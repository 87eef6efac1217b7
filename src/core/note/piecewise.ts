/** Text of a line with pieces taken out of it as they are understood. */
export class Piecewise {
  constructor(private left: string) {}

  /** Takes the first piece that matches out of what is left. */
  take(pattern: RegExp): RegExpExecArray | null {
    return this.takeWhere(pattern, () => true);
  }

  /**
   * The same, of the first that passes a test.
   * @param piece what of the match is taken, from its beginning; all of it where not told
   */
  takeWhere(
    pattern: RegExp,
    test: (match: RegExpExecArray) => boolean,
    piece: (match: RegExpExecArray) => string = ([whole]) => whole,
  ): RegExpExecArray | null {
    const all = new RegExp(pattern.source, `${pattern.flags.replace('g', '')}g`);
    for (let match = all.exec(this.left); match; match = all.exec(this.left)) {
      if (test(match)) {
        const taken = piece(match).length;
        this.left = `${this.left.slice(0, match.index)} ${this.left.slice(match.index + taken)}`;
        return match;
      }
      if (match[0] === '') all.lastIndex++;
    }
    return null;
  }

  has(pattern: RegExp): boolean {
    return pattern.test(this.left);
  }

  words(): string[] {
    return this.left.split(/[\s,;()]+/).filter((w) => w !== '');
  }
}
