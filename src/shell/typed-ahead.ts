/** A field that has not come by then does not come: keys are the page's again. */
const LONGEST_MS = 8000;
let stop: (() => string) | null = null;

/**
 * From here on what is typed is meant for a field that was asked for and is on its way: it is kept for that field,
 * and none of it is taken for a key of the page, which would go to another place or log a step.
 */
export function typeAhead(): void {
  if (stop) return;
  let text = '';
  const keep = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.key === 'Tab') return;
    event.preventDefault();
    event.stopImmediatePropagation();
    if (event.key === 'Backspace') text = text.slice(0, -1);
    else if (event.key === 'Escape') text = '';
    else if (event.key.length === 1) text += event.key;
  };
  addEventListener('keydown', keep, true);
  const timer = setTimeout(takeTypedAhead, LONGEST_MS);
  stop = () => {
    removeEventListener('keydown', keep, true);
    clearTimeout(timer);
    stop = null;
    return text;
  };
}

/** What was typed ahead; the field has the keys now. */
export function takeTypedAhead(): string {
  return stop?.() ?? '';
}
