/**
 * Runs before anything else of a page: what is tapped before the page has come to life waits, shows
 * that it waits, and is done once it has. Links, summaries and forms that the browser can see to by
 * itself are left to it. Written out as text into the page, so it stands alone.
 */
function waitForLife(): void {
  const waiting: { readonly button: HTMLElement; readonly words: string }[] = [];
  const catchTap = (event: MouseEvent): void => {
    const button = (event.target as Element | null)?.closest<HTMLElement>('button,[role="button"]');
    if (!button || (button as HTMLButtonElement).form?.hasAttribute('action')) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    button.setAttribute('data-tap-waits', '');
    waiting.push({ button, words: button.textContent });
  };
  document.addEventListener('click', catchTap, true);
  addEventListener(
    'hush-pail-alive',
    () => {
      document.removeEventListener('click', catchTap, true);
      for (const { button, words } of waiting.splice(0)) {
        button.removeAttribute('data-tap-waits');
        // Drawn anew meanwhile, it is the one that says the same; where two do, neither was meant for sure.
        const same = button.isConnected
          ? [button]
          : [...document.querySelectorAll<HTMLElement>('button,[role="button"]')].filter(
              (b) => b.textContent === words,
            );
        if (same.length === 1) same[0]?.click();
      }
    },
    { once: true },
  );
}

export const EARLY_TAPS = `(${waitForLife.toString()})()`;
