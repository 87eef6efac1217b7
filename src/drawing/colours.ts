/** Petal colours by the words a note uses, muted to sit on paper; unknown words get the neutral. */
const PETALS = {
  blush: '#dfa9a6',
  cream: '#ecdfb8',
  white: '#f6f2e9',
  mixed: '#cf8aa0',
  yellow: '#e2b33c',
  blue: '#8aa3c9',
  orange: '#d9773a',
  red: '#b5384a',
  coral: '#de8069',
  lilac: '#a892c4',
  grey: '#93a79c',
  green: '#6f9a76',
  'deep red': '#8e2b3d',
  pink: '#d98ba3',
  purple: '#7d64a6',
} as const satisfies Readonly<Record<string, string>>;

const NEUTRAL = '#cfa9b4';

/** The same words in the other languages notes come in, and finer ones of ours, by how they begin. */
const LIKE: readonly (readonly [RegExp, string])[] = [
  [
    /^(burgundy|bordeaux|bordowy|bordo|vino|maroon|oxblood|donkerrood|dunkelrot|ciemnoczerwon)/,
    PETALS['deep red'],
  ],
  [
    /^(cerise|fuchsia|magenta|hot|dusty|rosa|rose|rosado|rosada|roze|rosé|pinkfarben|różow|cor-de-rosa|lyserød)/,
    PETALS.pink,
  ],
  [/^(rot|rouge|roj|rood|rode|ross|czerwon|vermelh|röd|rød|rott)/, PETALS.red],
  [
    /^(peach|apricot|salmon|pfirsich|aprik|abrik|lachs|saumon|pêche|melocot|albaricoque|durazno|pesc|zalm|perzik|łosos|morel|coral|koral|corail|salm)/,
    PETALS.coral,
  ],
  [
    /^(crème|creme|crema|kremow|ivory|ivoire|ivoor|elfenbein|marfil|avorio|champagne|off-white)/,
    PETALS.cream,
  ],
  [/^(weiß|weiss|blanc|wit|biał|branc|vit|hvid|hvit|bianc)/, PETALS.white],
  [/^(gelb|jaune|amarill|amarel|geel|gele|giall|żółt|gul|gold|golden)/, PETALS.yellow],
  [/^(orange|naranja|oranje|aranci|pomarańcz|laranja|bronze)/, PETALS.orange],
  [/^(lila|lavend|violet|viola|fiolet|mauve|liliow|flieder)/, PETALS.lilac],
  [/^(purp|paars|morad|rox|pourpre|lilla)/, PETALS.purple],
  [/^(blau|bleu|azul|blu|niebiesk|azzurr|blå|blauw)/, PETALS.blue],
  [/^(grün|vert|verd|groen|zielon|grön|grøn)/, PETALS.green],
  [/^(grau|gris|grij|grig|szar|silver|silber|srebr|argent|plat)/, PETALS.grey],
  [/^(mix|gemischt|bunt|assort|gemengd|mezcl|surtid|mist|mieszan|blandad|variad)/, PETALS.mixed],
];

const isPetal = (word: string): word is keyof typeof PETALS => Object.hasOwn(PETALS, word);

/** How a petal of that colour is drawn, whatever language a note said it in; a muted rose where nobody knows it. */
export function petalColour(word: string | null): string {
  const said = (word ?? '').trim().toLowerCase();
  // "dark red", "rosa pálido": the word that names the colour, wherever it stands.
  for (const part of [said, ...said.split(/[\s,/-]+/).reverse()]) {
    if (isPetal(part)) return PETALS[part];
    const like = LIKE.find(([begins]) => begins.test(part));
    if (like) return like[1];
  }
  return NEUTRAL;
}
