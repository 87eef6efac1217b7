/** How short and how long a reason may be, in characters: the same at every field and every edge. */
export const SHORTEST_REASON = 3;
export const LONGEST_REASON = 200;
