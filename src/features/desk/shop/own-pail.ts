import type { PailColour, PailForm } from '@/core/water/pail-shape';

/** A pail as the desk keeps it. */
export interface OwnPail {
  readonly id: string;
  readonly name: string;
  readonly litres: number;
  readonly heightCm: number;
  readonly form: PailForm;
  readonly colour: PailColour | null;
  readonly roomId: string;
  readonly isRetired: boolean;
}

/** A room that pails stand in. */
export interface RoomOf {
  readonly id: string;
  readonly name: string;
}
