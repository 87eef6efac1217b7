import type { Trx } from './connection';

export interface RoomRow {
  readonly id: string;
  readonly name: string;
  readonly tempC: number;
  readonly humidityPct: number;
  readonly litHours: number;
  readonly kind: 'bench' | 'cold' | 'warm' | 'floor';
}

export async function manyRooms(trx: Trx): Promise<RoomRow[]> {
  return trx('room').orderBy('name').select({
    id: 'id',
    name: 'name',
    tempC: 'temp_c',
    humidityPct: 'humidity_pct',
    litHours: 'lit_hours',
    kind: 'kind',
  });
}
