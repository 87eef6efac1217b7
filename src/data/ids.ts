import { v7 } from 'uuid';

/** An id that sorts by the time it was made (UUID version 7) and is never used again. */
export const newId = (): string => v7();
