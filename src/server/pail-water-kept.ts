import 'server-only';
import { LRUCache } from 'lru-cache';
import {
  pailWater,
  standingWater,
  waterThisHour,
  type FilledPail,
  type PailWater,
  type WaterThisHour,
} from '@/core/water/pail-water';

/** Some shops' pails, each with the hour before. */
const KEPT = 600;
const thisHour = new LRUCache<string, WaterThisHour>({ max: KEPT });

/** How a pail's water stands; what of it stands for an hour is worked out once an hour, whoever asks. */
export function pailWaterKept(pail: FilledPail): PailWater {
  const asked = standingWater(pail);
  const key = JSON.stringify(asked);
  const known = thisHour.get(key) ?? waterThisHour(asked);
  thisHour.set(key, known);
  return pailWater(pail, known);
}
