'use client';
import { createContext, useContext, type ReactNode } from 'react';

const EmergencyContext = createContext('');

/** Tells what is inside whom the shop calls when somebody is hurt. @param says in the reader's language, whole */
export const EmergencyProvider = ({ says, children }: { says: string; children: ReactNode }) => (
  <EmergencyContext value={says}>{children}</EmergencyContext>
);

/** Whom to call, beside a caution. */
export function EmergencyLine() {
  const says = useContext(EmergencyContext);
  return says === '' ? null : <p data-emergency>{says}</p>;
}
