import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { decodeNote } from './decode';
import { UnreadableNoteError } from './note-help';
import { readDeliveryNote } from './read-note';

const fixture = (name: string) => readFileSync(path.join(__dirname, '../../../tests/fixtures', name));
const clean = fixture('delivery-note-clean.csv');
const messy = fixture('delivery-note-messy.csv');

/** One slip of a file: a byte changed, put in or left out; a line twice, left out or moved. */
const damage = fc.record({
  kind: fc.constantFrom('change', 'insert', 'drop', 'twice', 'without', 'move'),
  at: fc.nat(),
  byte: fc.constantFrom(...Array.from(';,"\n\r\t|\'. 0x', (c) => c.charCodeAt(0)), 0xe4, 0x80),
});
type Damage = typeof damage extends fc.Arbitrary<infer T> ? T : never;

function damaged(bytes: Uint8Array, { kind, at, byte }: Damage): Uint8Array {
  const text = Buffer.from(bytes).toString('latin1');
  const i = at % text.length;
  const char = String.fromCharCode(byte);
  const lines = text.split('\n');
  const l = at % lines.length;
  const changed = {
    change: () => text.slice(0, i) + char + text.slice(i + 1),
    insert: () => text.slice(0, i) + char + text.slice(i),
    drop: () => text.slice(0, i) + text.slice(i + 1),
    twice: () => [...lines.slice(0, l + 1), ...lines.slice(l)].join('\n'),
    without: () => lines.filter((_, n) => n !== l).join('\n'),
    move: () => [...lines.filter((_, n) => n !== l), lines[l] ?? ''].join('\n'),
  }[kind]();
  return Buffer.from(changed, 'latin1');
}

test('whatever slips befall a file, every line of it comes back once, with a reason unless understood', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(clean, messy),
      fc.array(damage, { minLength: 1, maxLength: 12 }),
      (file, damages) => {
        const text = decodeNote(damages.reduce<Uint8Array>(damaged, file));
        const physical = text.replace(/\r\n?/g, '\n').replace(/\n$/, '').split('\n');
        const widest = Math.max(...physical.map((l) => l.split(/[;,\t|]/).length));
        let note;
        try {
          note = readDeliveryNote(text);
        } catch (error) {
          if (error instanceof UnreadableNoteError) return;
          throw error;
        }
        expect(note.lines.map((l) => l.line)).toEqual(physical.map((_, i) => i + 1));
        for (const line of note.lines) {
          if (line.status !== 'understood') expect(line.reasons.length).toBeGreaterThan(0);
          if (line.status === 'understood' || line.status === 'guessed')
            expect(line.stems).toBeGreaterThan(0);
          // A cell may run over lines; a row that had swallowed another would be far wider than any.
          if (line.status === 'ignored' && /goes on/.test(line.reasons[0] ?? '')) {
            const from = Number(/line (\d+)/.exec(line.reasons[0] ?? '')?.[1]);
            const row = physical.slice(from - 1, line.line).join('\n');
            expect(row.split(/[;,\t|]/).length).toBeLessThan(1.7 * widest);
          }
        }
      },
    ),
    { numRuns: 400 },
  );
});

test('two lines that begin with a stray quotation mark are two lines, and no cell takes in the first', () => {
  const text = [
    'Pos;Artikel;Bund;Stück/Bund;Schnitt',
    '1;Rosen;6;25;19.11.2026',
    '";Lisianthus;4;5;18.11.2026',
    '";Lisianthus;4;5;18.11.2026',
    '3;Tulpen;5;10;20.11.2026',
  ].join('\n');
  const { lines } = readDeliveryNote(text);
  expect(lines.map((l) => l.line)).toEqual([1, 2, 3, 4, 5]);
  expect(lines.filter((l) => /goes on/.test(l.reasons[0] ?? ''))).toEqual([]);
  expect(lines.map((l) => l.stems)).toEqual([null, 150, 20, 20, 50]);
});
