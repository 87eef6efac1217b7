import { measured } from '@/core/units/measures';
import { localeOf, unitsOf } from '@/core/words/catalogues';
import { inMyShop } from '@/server/session';
import { manyRooms } from '@/data/rooms';

/** Rooms is not built yet: it says what it will do, and shows the air the forecasts use today. */
export async function RoomsPage() {
  const { rooms, language } = await inMyShop(async (trx, me) => ({
    rooms: await manyRooms(trx),
    language: me.language,
  }));
  return (
    <section style={{ maxWidth: 760 }}>
      <h1>Rooms, not built yet</h1>
      <p style={{ margin: '16px 0' }}>
        Each room will be a shelf here, its air along the top and its lots as life lines, soonest to fade
        first: where is it, how warm, what is ageing fastest. Until then lots are found on the bench and in
        their pails.
      </p>
      <p className="soft" style={{ marginBottom: 8 }}>
        These are the figures the forecasts take for each room now. They are settings, not readings.
      </p>
      <ul className="rowlist">
        {rooms.map((r) => (
          <li
            key={r.id}
            style={{ display: 'flex', justifyContent: 'space-between', padding: '14px 0', gap: 16 }}
          >
            <strong>{r.name}</strong>
            <span>
              {measured('tempC', r.tempC, unitsOf(language), localeOf(language))} · {r.humidityPct} % humidity
              · light {r.litHours} h
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
