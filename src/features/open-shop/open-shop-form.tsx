'use client';
import { Box, Button, Group, Stack } from '@mantine/core';
import { startTransition, useActionState, useState } from 'react';
import { openingSchema } from '@/core/opening/opening';
import { useShopForm } from '@/shell/form';
import { Feedback } from '@/shell/feedback';
import { useHydrated } from '@/shell/use-hydrated';
import { openShop, type OpenState } from './actions';
import { PailsPart, PeoplePart, RoomsPart, ShopPart } from './opening-parts';
import { HasPart, SuppliersPart } from './opening-things';
import { EMPTY_OPENING, type OpeningForm } from './opening-form';
import { StockPart } from './stock-part';

const START: OpenState = { message: null, fields: {} };

/** The pages, each with what it asks about and why. */
const PARTS = [
  {
    title: 'The shop',
    why: 'Its name stands on every card; its clock says when water is due.',
    fields: ['name', 'language', 'units', 'currency', 'timeZone'],
    Part: ShopPart,
  },
  {
    title: 'Who works here',
    why: 'The manager sets the house’s ways, by password. Hands tap their name and a PIN, so that the record knows who did what. Others are added later under People.',
    fields: ['manager', 'hands'],
    Part: PeoplePart,
  },
  {
    title: 'Rooms',
    why: 'Where flowers stand decides how fast they age. The figures the forecasts take are those of a usual shop.',
    fields: ['rooms'],
    Part: RoomsPart,
  },
  {
    title: 'What it has',
    why: 'A step that cannot be done here is told another way. Take off what there is none of; it is changed later under House ways.',
    fields: ['has'],
    Part: HasPart,
  },
  {
    title: 'Suppliers',
    why: 'How long each lets you claim is the clock that runs on every fault you find. Notes bring the others as they come; this can wait.',
    fields: ['suppliers'],
    Part: SuppliersPart,
  },
  {
    title: 'Pails',
    why: 'Each has a number, a label and a life of its own. More are added later under Rooms and pails.',
    fields: ['pails'],
    Part: PailsPart,
  },
  {
    title: 'Flowers that stand here',
    why: 'What is in the shop already, from a spreadsheet, so that the forecasts know it from the first day. Without one the shop begins empty; the next van fills it.',
    fields: ['inHand', 'inHandRoom'],
    Part: StockPart,
  },
] as const;

/** What stood against opening it, in all and field by field. */
function Refusals({ state: { message, fields } }: { state: typeof START }) {
  return (
    <>
      {message && <Feedback isAlert>{message}</Feedback>}
      {Object.entries(fields).map(([field, told]) => (
        <Feedback key={field} isAlert>
          {told}
        </Feedback>
      ))}
    </>
  );
}

/** What the button goes on to. */
function onWords(at: number, busy: boolean): string {
  const next = PARTS[at + 1];
  if (next) return `On to ${next.title.toLowerCase()}`;
  return busy ? 'Opening …' : 'Open it';
}

/** A shop opened from nothing in seven short pages. */
export function OpenShopForm() {
  const [at, setAt] = useState(0);
  const [state, act, busy] = useActionState(openShop, START);
  const form: OpeningForm = useShopForm(openingSchema, EMPTY_OPENING) as OpeningForm;
  const isHere = useHydrated();
  const part = PARTS[at] ?? PARTS[0];
  const isLast = at === PARTS.length - 1;
  const zone = form.values.timeZone || (isHere ? Intl.DateTimeFormat().resolvedOptions().timeZone : '');
  /** Goes on where this page has all it needs; else what is missing stands at its field. A line left empty can wait. */
  const goOn = (): void => {
    const values = form.getValues();
    const asksHands = part.fields.some((f) => f === 'hands');
    const hands = values.hands.filter((h) => !asksHands || h.name.trim() !== '' || h.pin !== '');
    const suppliers = values.suppliers.filter((s) => s.name.trim() !== '');
    const told = { ...values, timeZone: zone, hands, suppliers };
    form.setValues(told);
    const mine = Object.entries(form.validate().errors).filter(([field]) =>
      part.fields.some((f) => field === f || field.startsWith(`${f}.`)),
    );
    form.setErrors(Object.fromEntries(mine));
    if (mine.length > 0) return;
    if (isLast) startTransition(() => act(told));
    else setAt(at + 1);
  };
  return (
    <Box component="main" maw="46rem" mx="auto" p="1.75rem 1.25rem 3rem">
      <p className="soft">
        Open my shop, {at + 1} of {PARTS.length}
      </p>
      <h1>{part.title}</h1>
      <p className="prose">{part.why}</p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          goOn();
        }}
      >
        <Stack gap="1rem">
          <part.Part form={form} zone={zone} />
          {isLast && <Refusals state={state} />}
        </Stack>
        <Group gap="0.75rem" mt="1.5rem">
          <Button type="submit" variant="main" disabled={busy || !isHere}>
            {onWords(at, busy)}
          </Button>
          {at > 0 ? (
            <Button variant="quiet" onClick={() => setAt(at - 1)}>
              Back
            </Button>
          ) : (
            <Button component="a" variant="quiet" href="/sign-in">
              Back to sign-in
            </Button>
          )}
        </Group>
      </form>
    </Box>
  );
}
