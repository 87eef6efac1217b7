/**
 * Runs before anything else of a page: what is tapped, or pressed as a key of ours, before the page has
 * come to life waits, and is done once it has, in its order; a button shows that it waits. Summaries,
 * forms that the browser can see to by itself, and what is typed into a field are left to it, and so are
 * links: but behind a tap that waits a link waits too, or the tap would be lost with its page. Tapped
 * once more it goes, should the page never come to life. A file that was chosen waits as a tap does.
 * Written out as text into the page, so each function stands alone.
 */
function waitForLife(tap: typeof tapAgain): void {
  const waiting: (() => void)[] = [];
  const isLeft = (tapped: HTMLElement, { ctrlKey, metaKey, shiftKey }: MouseEvent): boolean => {
    if (!tapped.matches('a[href]')) return !!(tapped as HTMLButtonElement).form?.hasAttribute('action');
    return waiting.length === 0 || tapped.hasAttribute('data-tap-waits') || ctrlKey || metaKey || shiftKey;
  };
  const catchTap = (event: MouseEvent): void => {
    // What is done again, and what the page taps by itself.
    if (!event.isTrusted) return;
    const tapped = (event.target as Element | null)?.closest<HTMLElement>('button,[role="button"],a[href]');
    if (!tapped || isLeft(tapped, event)) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    tapped.setAttribute('data-tap-waits', '');
    const words = tapped.textContent;
    waiting.push(() => tap(tapped, words));
  };
  const catchKey = (event: KeyboardEvent): void => {
    const target = event.target as HTMLElement;
    if (!event.isTrusted) return;
    // The bar scrolls a page, or is a tap on what has the focus; so is Enter there. Both are caught as that.
    const isOurs =
      event.key === 'Enter' ? target === document.body : event.key.length === 1 && event.key !== ' ';
    if (!isOurs || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
    if (target.closest('input,select,textarea,[contenteditable]')) return;
    event.preventDefault();
    // What listens already, before the rest of the page has come to life, would hear it a second time.
    event.stopImmediatePropagation();
    const { key, code, shiftKey } = event;
    waiting.push(() => {
      const at = target.isConnected ? target : document.body;
      at.dispatchEvent(
        new KeyboardEvent('keydown', { key, code, shiftKey, bubbles: true, cancelable: true }),
      );
    });
  };
  let isAgain = false;
  const catchFile = (event: Event): void => {
    const input = event.target as HTMLInputElement;
    if (isAgain || input.type !== 'file') return;
    event.stopImmediatePropagation();
    waiting.push(() => {
      isAgain = true;
      input.dispatchEvent(new Event('change', { bubbles: true }));
      isAgain = false;
    });
  };
  document.addEventListener('click', catchTap, true);
  document.addEventListener('keydown', catchKey, true);
  document.addEventListener('change', catchFile, true);
  // One a turn, so that each finds what the one before it changed; what is tapped meanwhile waits behind them.
  const doNext = (): void => {
    const again = waiting.shift();
    if (again) {
      again();
      setTimeout(doNext, 0);
      return;
    }
    document.removeEventListener('click', catchTap, true);
    document.removeEventListener('keydown', catchKey, true);
    document.removeEventListener('change', catchFile, true);
  };
  addEventListener('hush-pail-alive', doNext, { once: true });
}

function tapAgain(tapped: HTMLElement, words: string): void {
  tapped.removeAttribute('data-tap-waits');
  if (tapped.isConnected) return tapped.click();
  // Drawn anew meanwhile, it is the one that says the same; where two do, neither was meant for sure.
  const alike = tapped.matches('a[href]') ? 'a[href]' : 'button,[role="button"]';
  const same = [...document.querySelectorAll<HTMLElement>(alike)].filter((b) => b.textContent === words);
  if (same.length === 1) same[0]?.click();
}

export const EARLY_TAPS = `(${waitForLife.toString()})(${tapAgain.toString()})`;
