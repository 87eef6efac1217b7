'use client';
import { Button, Group, Checkbox, NativeSelect, Stack, Table, TextInput } from '@mantine/core';
import { useState } from 'react';
import { COLUMNS, findHeading, shapeOf, type Column } from '@/core/note/columns';
import type { NamedColumns } from './half-read';
import { ActionBar } from '@/shell/action-bar';
import { Feedback } from '@/shell/feedback';

const WORDS: Readonly<Record<Column, string>> = {
  deliveryRef: 'delivery number',
  reference: 'reference',
  supplier: 'supplier',
  noteDate: 'date of the note',
  number: 'line number',
  code: 'item code',
  product: 'product',
  variety: 'variety',
  colour: 'colour',
  lengthCm: 'length',
  grade: 'grade',
  ordered: 'ordered',
  quantity: 'quantity',
  unit: 'unit of the quantity',
  boxes: 'boxes',
  bunchesPerBox: 'bunches a box',
  stemsPerBox: 'stems a box',
  bunches: 'bunches',
  stemsPerBunch: 'stems a bunch',
  pack: 'contents of a pack',
  stems: 'stems, of the line or a bunch',
  stemsInAll: 'stems in all',
  headsMin: 'heads a stem',
  weightG: 'weight',
  cutDate: 'cut on',
  origin: 'where from',
  packing: 'packing',
  unitPrice: 'price',
  priceUnit: 'price is per',
  amount: 'sum of the line',
  currency: 'currency',
  discount: 'discount or tax',
  remark: 'remark',
};

/** Columns that say how much came. */
const COUNTING: readonly Column[] = ['bunches', 'stems', 'stemsInAll', 'quantity', 'boxes', 'weightG'];

const columnOf = (value: string): Column | '' => COLUMNS.find((c) => c === value) ?? '';

/** The first rows of the file, each column under the meaning it was given. */
function ColumnTable({
  rows,
  of,
  onChange,
  marksTwice,
}: {
  rows: readonly (readonly string[])[];
  of: readonly (Column | '')[];
  onChange: (of: readonly (Column | '')[]) => void;
  /** Says of a meaning that is given twice that it is. */
  marksTwice: boolean;
}) {
  return (
    <div className="scrolls">
      <Table>
        <thead>
          <tr>
            {of.map((chosen, i) => (
              <th key={i}>
                <NativeSelect
                  miw={150}
                  aria-label={`Column ${i + 1} is`}
                  error={marksTwice && chosen !== '' && of.filter((c) => c === chosen).length > 1 && 'twice'}
                  value={chosen}
                  onChange={(e) => onChange(of.map((c, at) => (at === i ? columnOf(e.target.value) : c)))}
                  data={[
                    { value: '', label: 'not needed' },
                    ...COLUMNS.map((c) => ({ value: c, label: WORDS[c] })),
                  ]}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, r) => (
            <tr key={r}>
              {of.map((_, i) => (
                <td key={i}>{row[i] ?? ''}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}

/** A file whose columns nobody has named: each gets its meaning here, once for that supplier. */
export function ColumnChooser({
  rows,
  fileName,
  supplier: from,
  onChosen,
  onClose,
}: {
  /** The first rows of the file. */
  rows: readonly (readonly string[])[];
  fileName: string;
  /** Who it is from, as far as the file says. */
  supplier: string;
  onChosen: (named: NamedColumns, supplier: string) => void;
  onClose: () => void;
}) {
  const width = Math.max(...rows.map((r) => r.length));
  const [start] = useState(() => findHeading(rows));
  const [of, setOf] = useState<readonly (Column | '')[]>(() =>
    Array.from({ length: width }, (_, i) => COLUMNS.find((c) => start?.columns.get(c) === i) ?? ''),
  );
  const [hasHeading, setHasHeading] = useState(start !== null);
  const [supplier, setSupplier] = useState(from);
  const [isTried, setTried] = useState(false);
  const names = of.filter((c) => c !== '');
  const counts = names.some((c) => COUNTING.includes(c));
  const isReady =
    names.includes('product') && counts && new Set(names).size === names.length && supplier.trim() !== '';
  const choose = () => {
    const columns = Object.fromEntries(of.flatMap((c, i) => (c === '' ? [] : [[c, i]])));
    const first = rows.find((r) => r.filter((c) => c.trim() !== '').length >= 3) ?? rows[0] ?? [];
    onChosen({ shape: shapeOf(first, hasHeading), saved: { columns, hasHeading } }, supplier.trim());
  };
  return (
    <Stack component="section" aria-label="Which column is what" gap="0.625rem">
      <header className="row low">
        <Group w="100%" gap="0.25rem 1.125rem" align="baseline">
          <h1>Which column is what?</h1>
          <p className="soft">
            Say it once for {fileName}; this supplier’s next note is read by it. Nothing is booked in.
          </p>
        </Group>
        <TextInput
          label="Supplier"
          value={supplier}
          error={isTried && supplier.trim() === '' && 'Whose file is it?'}
          maxLength={120}
          onChange={(e) => setSupplier(e.target.value)}
        />
        <Button variant="quiet" onClick={onClose}>
          Put the file away
        </Button>
      </header>
      <Checkbox
        label="the first row names the columns, and is no flower"
        checked={hasHeading}
        onChange={(e) => setHasHeading(e.target.checked)}
      />
      <ColumnTable rows={rows} of={of} onChange={setOf} marksTwice={isTried} />
      {isTried && !(names.includes('product') && counts) && (
        <Feedback isAlert>
          One column has to be the product, and one a count of bunches or stems, or a weight.
        </Feedback>
      )}
      <ActionBar>
        <Button variant="main" onClick={() => (isReady ? choose() : setTried(true))} data-step-in-hand>
          {isReady ? 'Read it so' : 'Name the supplier, the product, and a count or a weight; each once'}
        </Button>
      </ActionBar>
    </Stack>
  );
}
