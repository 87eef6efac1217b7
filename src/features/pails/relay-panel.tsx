'use client';
import { Button, Collapse, Skeleton } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import dynamic from 'next/dynamic';
import { useFetchedAtRest, useOnceOpened } from '@/shell/late';
import type { RelayPlannerProps } from './relay-planner';

const planner = () => import('./relay-planner').then((m) => m.RelayPlanner);
const RelayPlanner = dynamic(planner, { ssr: false, loading: () => <Skeleton h="20rem" mt="0.875rem" /> });
const AT_REST = [planner];

/** Washes many pails with one solution: planned once it is opened. */
export function RelayPanel(props: RelayPlannerProps) {
  const [isOpen, { toggle }] = useDisclosure(false);
  const wasOpened = useOnceOpened(isOpen);
  useFetchedAtRest(AT_REST);
  return (
    <section aria-label="Wash many together">
      <Button onClick={toggle} aria-expanded={isOpen}>
        Wash {props.dirty.length} together
      </Button>
      <Collapse expanded={isOpen}>{wasOpened && <RelayPlanner {...props} />}</Collapse>
    </section>
  );
}
