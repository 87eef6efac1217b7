'use client';
import { Button, Group, Stack, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import { v4 } from 'uuid';
import { useActions } from '@/shell/actions';
import { lackingInOrder, type DraftLine } from './draft-lines';
import { PreviewLines } from './preview-lines';
import { Feedback } from '@/shell/feedback';
import { DayInput } from '@/shell/day-input';
import { ActionBar } from '@/shell/action-bar';
import { focusFirstLacking, SupplierInput } from './supplier-input';

/** Whose an order is, what it is called and when it is to come. */
interface OrderHead {
  readonly supplier: string;
  readonly orderRef: string;
  readonly dueOn: string | null;
}

function Head({
  lines,
  order,
  onOrder,
  isTried,
  onClose,
}: {
  lines: number;
  order: OrderHead;
  onOrder: (changes: Partial<OrderHead>) => void;
  /** It was to be noted: what lacks is marked. */
  isTried: boolean;
  onClose: () => void;
}) {
  return (
    <header className="row low">
      <Group w="100%" gap="0.25rem 1.125rem" align="baseline">
        <h1>{lines} lines to expect</h1>
        <p className="soft">The note that comes is held against them. Nothing is noted yet.</p>
      </Group>
      <SupplierInput
        value={order.supplier}
        onChange={(supplier) => onOrder({ supplier })}
        error={isTried && !order.supplier.trim() && 'Whose is it?'}
      />
      <TextInput
        label="Order"
        maxLength={60}
        value={order.orderRef}
        error={isTried && !order.orderRef.trim() && 'What is the order called?'}
        onChange={(e) => onOrder({ orderRef: e.target.value })}
      />
      <DayInput
        label="To come on"
        value={order.dueOn}
        error={isTried && order.dueOn === null && 'Which day?'}
        onChange={(dueOn) => onOrder({ dueOn })}
      />
      <Button variant="quiet" onClick={onClose}>
        Put it away
      </Button>
    </header>
  );
}

const isWhole = ({ supplier, orderRef, dueOn }: OrderHead): boolean =>
  supplier.trim() !== '' && orderRef.trim() !== '' && dueOn !== null;

/** What was ordered, line by line as understood, and the day it is to come. */
export function OrderPreview({
  start,
  supplier: from,
  today,
  onClose,
}: {
  start: readonly DraftLine[];
  supplier: string;
  today: string;
  onClose: () => void;
}) {
  const router = useRouter();
  const { act } = useActions();
  const [lines, setLines] = useState(start);
  const [order, setOrder] = useState<OrderHead>({ supplier: from, orderRef: '', dueOn: today });
  const [problem, setProblem] = useState<string | null>(null);
  const [isTried, setTried] = useState(false);
  const [actionKey] = useState(() => v4());
  const change = useCallback((line: number, changes: Partial<DraftLine>) => {
    setLines((all) => all.map((l) => (l.line === line ? { ...l, ...changes } : l)));
  }, []);
  const ordered = lines.filter((l) => l.fate === 'book');
  const open = ordered.filter((l) => lackingInOrder(l) !== null).length;
  const isReady = open === 0 && ordered.length > 0 && isWhole(order);
  const showWhatLacks = () => {
    setTried(true);
    setProblem(ordered.length === 0 ? 'No line of it is to be expected. Nothing was noted.' : null);
    focusFirstLacking();
  };
  const place = async () => {
    const { supplier, orderRef, dueOn } = order;
    if (dueOn === null) return;
    const outcome = await act(
      'dock/order',
      {
        supplier,
        orderRef,
        dueOn,
        lines: ordered.flatMap(({ line, speciesKey, variety, lengthCm, stems }) =>
          speciesKey === null || stems === null ? [] : [{ line, speciesKey, variety, lengthCm, stems }],
        ),
      },
      '',
      actionKey,
    );
    if (outcome.ok) {
      onClose();
      return router.refresh();
    }
    setProblem(outcome.message);
  };
  return (
    <Stack component="section" aria-label="Order" gap="0.625rem">
      <Head
        lines={lines.length}
        order={order}
        onOrder={(changes) => setOrder({ ...order, ...changes })}
        isTried={isTried}
        onClose={onClose}
      />
      <PreviewLines lines={lines} onChange={change} isOrder />
      <Feedback isAlert>{problem}</Feedback>
      <ActionBar>
        <Button variant="main" onClick={() => void (isReady ? place() : showWhatLacks())} data-step-in-hand>
          {open > 0 ? `${open} to decide first` : `Expect ${ordered.length} lines on ${order.dueOn ?? ''}`}
        </Button>
      </ActionBar>
    </Stack>
  );
}
