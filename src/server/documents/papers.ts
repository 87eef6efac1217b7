import type { DocumentPaper } from '@/core/labels/printing';

/** Papers as the PDF's maker calls them. */
export const PAPERS: Readonly<Record<DocumentPaper, 'A4' | 'LETTER'>> = { A4: 'A4', Letter: 'LETTER' };
