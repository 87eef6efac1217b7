import type { Trx } from './connection';
import { newId } from './ids';
import { airChanged } from './stays';

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

/** What of a room may be set. */
export type RoomFigures = Pick<RoomRow, 'name' | 'tempC' | 'humidityPct' | 'litHours'>;
const columnsOf = (r: RoomFigures) => ({
  name: r.name,
  temp_c: r.tempC,
  humidity_pct: r.humidityPct,
  lit_hours: r.litHours,
});

export async function insertRoom(
  trx: Trx,
  shopId: string,
  room: RoomFigures & Pick<RoomRow, 'kind'>,
): Promise<string> {
  const id = newId();
  await trx('room').insert({ id, shop_id: shopId, kind: room.kind, ...columnsOf(room) });
  return id;
}

/** Sets a room's name and air; what stands in it has the new air from then. */
export async function setRoom(
  trx: Trx,
  shopId: string,
  roomId: string,
  room: RoomFigures,
  at: Date,
): Promise<void> {
  await trx('room').where({ id: roomId }).update(columnsOf(room));
  await airChanged(trx, shopId, roomId, at);
}
