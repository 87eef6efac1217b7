/** What a list of claims can be sorted by. */
export const CLAIM_SORTS = ['due', 'number', 'value', 'supplier'] as const;
export type ClaimSort = (typeof CLAIM_SORTS)[number];
