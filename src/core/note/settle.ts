import { countUnder, type Counted } from './count-under';
import type { LineFacts } from './line-facts';
import { agrees, ASKED, type Asked, type Meaning } from './meaning';
import type { PriceUnit } from './read-cells';

/** One line as it bears on what the note's counts mean. */
export interface Evidence {
  /** By the marks "1.000" may be read with; the same where no count of the line is twofold. */
  readonly facts: (meaning: Meaning) => LineFacts;
  readonly price: number | null;
  readonly priceUnit: PriceUnit | null;
  /** The line's sum of money. */
  readonly amount: number | null;
}

/** What the note says under its lines. */
export interface Totals {
  /** Numbers under columns of counts, and "430 stems" in words. */
  readonly stems: readonly number[];
  readonly money: number | null;
}

/** How a note's counts are meant, and by what that was settled. */
export interface Settled {
  /** Meanings that are left; one, or several that are asked about. */
  readonly left: readonly Meaning[];
  /** What they differ in, of what matters to any line. */
  readonly asked: readonly Asked[];
  readonly by: 'nothing open' | 'arithmetic' | 'memory' | 'said' | 'open';
}

/** What each open count of these lines could mean. */
function choicesOf(lines: readonly LineFacts[]): Readonly<Record<Asked, readonly string[]>> {
  const any = (test: (f: LineFacts) => boolean): boolean => lines.some(test);
  const isHeld = (f: LineFacts): boolean => f.bunches !== null || f.quantity !== null;
  const stems = any((f) => f.loose !== null && (isHeld(f) || f.boxes !== null));
  const inBunches = any((f) => f.loose !== null && isHeld(f));
  const inBoxes = any((f) => f.loose !== null && f.boxes !== null && !isHeld(f) && f.bunchesPerBox === null);
  const quantity = any((f) => f.quantity !== null);
  return {
    stems: stems ? ['in all', ...(inBunches ? ['a bunch'] : []), ...(inBoxes ? ['a box'] : [])] : [],
    bunches: any((f) => f.boxes !== null && f.bunches !== null && f.bunchesPerBox === null)
      ? ['in all', 'a box']
      : [],
    quantity: quantity
      ? [
          'stems',
          'bunches',
          ...(any((f) => f.quantity !== null && (f.perBox !== null || f.bunchesPerBox !== null))
            ? ['boxes']
            : []),
          ...(any((f) => f.quantity !== null && f.bunches !== null && f.perBunch === null)
            ? ['a bunch']
            : []),
        ]
      : [],
    marks: any((f) => f.isTwofold) ? ['thousands', 'decimals'] : [],
  };
}

/** Every meaning the open counts allow together. */
function meaningsOf(choices: Readonly<Record<Asked, readonly string[]>>): Meaning[] {
  return ASKED.reduce<Meaning[]>(
    (all, key) =>
      choices[key].length === 0 ? all : all.flatMap((m) => choices[key].map((c) => ({ ...m, [key]: c }))),
    [{}],
  );
}

/** Stems a bunch as the trade bundles them. */
const BUNCH_SIZES = new Set([5, 6, 7, 8, 9, 10, 12, 15, 16, 18, 20, 25, 30, 40, 50]);
const ENOUGH_LINES = 2;

class Judge {
  private readonly counted: ReadonlyMap<Meaning, readonly Counted[]>;
  private readonly facts: ReadonlyMap<Meaning, readonly LineFacts[]>;

  constructor(
    private readonly lines: readonly Evidence[],
    readonly meanings: readonly Meaning[],
    private readonly totals: Totals,
  ) {
    this.facts = new Map(meanings.map((m) => [m, lines.map((l) => l.facts(m))]));
    this.counted = new Map(meanings.map((m) => [m, (this.facts.get(m) ?? []).map((f) => countUnder(f, m))]));
  }

  of(meaning: Meaning): readonly Counted[] {
    return this.counted.get(meaning) ?? [];
  }

  /** Meanings that no number of lines speaks against, where another has none against it. */
  withoutContradictions(): readonly Meaning[] {
    const against = (m: Meaning): number => this.of(m).filter((c) => c.contradiction !== null).length;
    const least = Math.min(...this.meanings.map(against));
    if (least > 0) return this.meanings;
    const open = this.openLines();
    const isEnough = (n: number): boolean => n >= ENOUGH_LINES || (n > 0 && n * 2 >= open);
    const kept = this.meanings.filter((m) => !isEnough(against(m)));
    const even = kept.filter(
      (m) => !isEnough(this.unevenBunches(m)) && this.unevenPacks(m) < Math.max(ENOUGH_LINES, open / 2),
    );
    return even.length > 0 ? even : kept;
  }

  /** Lines whose stems depend on the meaning. */
  private openLines(): number {
    return this.lines.filter((_, i) => new Set(this.meanings.map((m) => this.of(m)[i]?.stems)).size > 1)
      .length;
  }

  /** Lines where "stems" of the line would not go into its bunches, though each is of a usual bunch's size. */
  private unevenBunches(meaning: Meaning): number {
    if (meaning.stems !== 'in all') return 0;
    const facts = this.facts.get(meaning) ?? [];
    const loose = facts.flatMap((f) => f.loose ?? []);
    if (!loose.every((n) => BUNCH_SIZES.has(n))) return 0;
    return this.of(meaning).filter((c) => c.isUneven || c.contradiction !== null).length;
  }

  /** Lines whose quantity, as stems, would leave a pack half full. */
  private unevenPacks(meaning: Meaning): number {
    if (meaning.quantity !== 'stems') return 0;
    return this.of(meaning).filter((c) => c.bunches === null && c.isUneven).length;
  }

  /** Counts a line's price may be of. */
  private priced(at: number, meaning: Meaning): number[] {
    const counted = this.of(meaning)[at];
    const unit = this.lines[at]?.priceUnit ?? null;
    const grams = this.facts.get(meaning)?.[at]?.weightG ?? null;
    const of: Readonly<Record<string, number | null | undefined>> = {
      stem: counted?.stems,
      bunch: counted?.bunches,
      box: counted?.boxes,
      kg: grams === null ? null : grams / 1000,
      line: null,
    };
    const asked = unit === null ? ['stem', 'bunch', 'box', 'kg'] : [unit];
    return asked.flatMap((u) => of[u] ?? []);
  }

  /** Of these meanings, those under which a line's sum is its price times its count; null where that tells nothing. */
  private byAmount(at: number, among: readonly Meaning[]): readonly Meaning[] | null {
    const { price = null, amount = null } = this.lines[at] ?? {};
    if (price === null || amount === null || price <= 0 || amount <= 0) return null;
    const fits = among.filter((m) =>
      this.priced(at, m).some((n) => Math.abs(amount - price * n) <= 0.011 + 0.004 * amount),
    );
    return fits.length === 0 || fits.length === among.length ? null : fits;
  }

  /** Of these meanings, those whose stems or prices add up to what the note says under its lines. */
  private byTotals(among: readonly Meaning[]): (readonly Meaning[])[] {
    const told = (fits: readonly Meaning[]) =>
      fits.length === 0 || fits.length === among.length ? [] : [fits];
    const stems = this.totals.stems.flatMap((total) =>
      told(among.filter((m) => this.of(m).reduce((n, c) => n + (c.stems ?? NaN), 0) === total)),
    );
    const { money } = this.totals;
    if (money === null || this.lines.some((l) => l.price === null || l.amount !== null)) return stems;
    const sum = (m: Meaning, unit: 'stems' | 'bunches'): number =>
      this.of(m).reduce((n, c, i) => n + (this.lines[i]?.price ?? NaN) * (c[unit] ?? NaN), 0);
    const units = new Set(this.lines.map((l) => l.priceUnit));
    const asked =
      units.size === 1 && units.has('stem') ? (['stems'] as const) : (['stems', 'bunches'] as const);
    const fits = among.filter((m) => asked.some((u) => Math.abs(sum(m, u) - money) <= 0.02 + 0.002 * money));
    return [...stems, ...told(fits)];
  }

  /** Meanings that every line with something to tell by its money agrees on; null where none tells, or two disagree. */
  byMoney(among: readonly Meaning[]): readonly Meaning[] | null {
    const votes = [
      ...this.lines.flatMap((_, at) => {
        const fits = this.byAmount(at, among);
        return fits ? [fits] : [];
      }),
      ...this.byTotals(among),
    ];
    if (votes.length === 0) return null;
    const agreed = among.filter((m) => votes.every((v) => v.includes(m)));
    return agreed.length > 0 ? agreed : null;
  }

  /** What these meanings differ in, where a line comes out otherwise for it. */
  asked(left: readonly Meaning[]): Asked[] {
    const isOpen = this.lines.some((_, at) => new Set(left.map((m) => outcome(this.of(m)[at]))).size > 1);
    return isOpen ? ASKED.filter((key) => new Set(left.map((m) => m[key])).size > 1) : [];
  }
}

const outcome = (c: Counted | undefined): string => `${c?.stems} ${c?.bunches} ${c?.stemsPerBunch}`;

/** What somebody says of this note now, or said of such a note before. */
export interface PersonSays {
  readonly now?: Meaning | undefined;
  readonly before?: Meaning | undefined;
  /** Nothing settles it but what is said now. */
  readonly isDoubted?: boolean | undefined;
}

/** Of these meanings, those that somebody's word leaves; all of them where it leaves none. */
const heldTo = (said: Meaning | undefined, among: readonly Meaning[]): readonly Meaning[] => {
  const left = said === undefined ? [] : among.filter((m) => agrees(m, said));
  return left.length > 0 ? left : among;
};

/**
 * Settles what a note's counts mean, for all its lines at once: by what somebody says, by what cannot be,
 * by amounts over prices and totals, by what that supplier's notes meant before; else it stays open.
 */
export function settleMeaning(lines: readonly Evidence[], totals: Totals, said: PersonSays = {}): Settled {
  const meanings = meaningsOf(choicesOf(lines.map((l) => l.facts({}))));
  if (meanings.length === 1) return { left: meanings, asked: [], by: 'nothing open' };
  const judge = new Judge(lines, meanings, totals);
  const told = heldTo(said.now, meanings);
  if (said.isDoubted) return { left: told, asked: judge.asked(told), by: 'open' };
  const isTold = told.length < meanings.length;
  const possible = isTold ? told : judge.withoutContradictions();
  const byMoney = judge.byMoney(possible) ?? possible;
  const remembered = heldTo(said.before, byMoney);
  const steps: readonly (readonly [readonly Meaning[], Settled['by']])[] = [
    [possible, isTold ? 'said' : possible.length < meanings.length ? 'arithmetic' : 'nothing open'],
    [byMoney, 'arithmetic'],
    [remembered, 'memory'],
  ];
  for (const [left, by] of steps) if (judge.asked(left).length === 0) return { left, asked: [], by };
  return { left: remembered, asked: judge.asked(remembered), by: 'open' };
}
