import type { EvenStems } from '../even-normals';
import type { Figures } from '../model/figures';
import type { Species } from '../species/species';
import type { LineHours } from '../vase-life/line-hours';
import type { Ends } from '../vase-life/results';
import type { LineStart, StemBlock } from '../vase-life/stem-block';
import type { VesselHours } from '../vase-life/vessel-hours';
import type { EndedLine } from './draw-outcome';
import type { ArrangementInput } from './types';

/** A line of it: its stems, and how those of all draws ended. */
export interface RunLine {
  readonly species: Species;
  /** Stems that are drawn of it, and how many of its own each stands for. */
  readonly drawn: number;
  readonly each: number;
  /** Deals a large line's luck out evenly; null where every stem is drawn. */
  readonly even: EvenStems | null;
  readonly start: LineStart;
  /** Which stream of luck is the line's, whatever order the lines are listed in. */
  readonly luckOf: number;
  readonly block: StemBlock;
  readonly ends: Ends;
  /** This draw's ends, ascending. */
  readonly ended: EndedLine;
}

/** A way of keeping it: its vessel's hours and those of its lines. */
export interface RunStyle {
  /** Drunk in the first day that counts by stems that all stand, mL. */
  readonly firstDayMl: number;
  readonly vessel: VesselHours;
  readonly lines: readonly LineHours[];
  /** The next hour after each in which a day begins or the vessel is filled. */
  readonly nextLook: Int32Array;
}

/** An arrangement's forecast being worked out, draw by draw. */
export interface ArrangementRun {
  readonly input: ArrangementInput;
  readonly figures: Figures;
  readonly countFromHour: number;
  readonly hours: number;
  readonly lines: readonly RunLine[];
  readonly styles: readonly RunStyle[];
  readonly styleOf: Uint8Array;
  /** By draw. */
  readonly firstFade: Float64Array;
  readonly stillAGift: Float64Array;
  readonly lastStand: Float64Array;
  /** By draw and line: still-a-gift, were the line's weight an average of the others'. */
  readonly giftWithout: Float64Array;
  /** By draw and day. */
  readonly shareByDay: Float64Array;
  /** Sums over the draws by day: level at its beginning, litres; drunk in the day before, mL. */
  readonly levelByDay: Float64Array;
  readonly drunkByDay: Float64Array;
  done: number;
}
