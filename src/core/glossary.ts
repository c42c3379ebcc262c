/** The words of the trade and of this program, each in a sentence: for the handbook and for the labels they stand in. */

interface Word {
  readonly word: string;
  readonly says: string;
  /** How it is met in labels, where that is not the word itself. */
  readonly met?: readonly string[];
}

export const GLOSSARY: readonly Word[] = [
  { word: 'area', says: 'A place on the animal with its own wool, way of laying and colour.' },
  {
    word: 'base',
    says: 'What lies under the coat: the core, or the felt below. It must not show.',
    met: ['base hidden'],
  },
  { word: 'bench', says: 'Where the work is done: one step at a time on the screen, ticked off as it is done.' },
  {
    word: 'bow',
    says: 'A small bunch pinched in its middle, set and folded, for rims, corners and fans.',
    met: ['bows'],
  },
  { word: 'collar', says: 'A ring of wool felted over the joint of two parts so that it does not show.' },
  { word: 'core', says: 'The firm felted body inside the coat.' },
  { word: 'course', says: 'A row of bows or locks, laid like a course of bricks.' },
  { word: 'cover', says: 'The share of the base that the coat hides.', met: ['hidden aslant', 'hidden'] },
  {
    word: 'cut',
    says: 'The length fibres are cut to before they are laid: twice the finished length and a little, for folded rows.',
  },
  { word: 'docket', says: 'The answer of a room: a sentence with figures, before any control.' },
  {
    word: 'finding',
    says: 'Something that stops the work, needs care or is good to know, with its reason and, where there is one, a remedy.',
  },
  { word: 'flat part', says: 'A part felted flat by itself and set on: an ear, a wing, a feather.' },
  { word: 'fringe', says: 'Wool left loose at the end of a part, by which it is joined.' },
  { word: 'graticule', says: 'A net of millimetres over the picture, to measure by.' },
  { word: 'hem', says: 'The edge of an area where its first row goes; the fur points away beyond it.' },
  {
    word: 'lay',
    says: 'The wool laid on a row, and its weight on a centimetre of it.',
    met: ['of row', 'to lay', 'lay weight', 'of rows'],
  },
  { word: 'lie', says: 'The way the fur points.' },
  { word: 'lift', says: 'The angle the fur stands off the skin.' },
  { word: 'lock', says: 'A tuft of fleece as it grew, with its own curl.', met: ['locks'] },
  { word: 'loft', says: 'The thickness the coat adds to the body.', met: ['loft added'] },
  { word: 'lot', says: 'A wool in the cupboard: one form, one colour, so many grams.' },
  { word: 'marking', says: 'A stripe, spot, mask or the like, laid over a coat or under it.' },
  { word: 'micron', says: 'A thousandth of a millimetre: how thick a fibre is.' },
  { word: 'overlap', says: 'How many rows lie over a place; two at least hide the roots.', met: ['rows overlap'] },
  { word: 'pad', says: 'Wool felted on at its rim and left soft in the middle, as over a cheek or a thigh.' },
  { word: 'piece', says: 'One animal: everything decided about it.' },
  { word: 'pile', says: 'Fibres that stand up and are trimmed even; or locks sorted by length and quality.' },
  { word: 'pinch', says: 'What two fingers take: the wool laid at once.', met: ['pinches', 'pieces'] },
  { word: 'remedy', says: 'A change that mends a finding, done with one press; it says beforehand what it does.' },
  { word: 'ring', says: 'A row that goes all the way round.' },
  { word: 'row', says: 'A line of fur across the lie; the next one hides its roots.' },
  { word: 'school', says: 'One of several right ways to do a thing, as makers differ.' },
  { word: 'sitting', says: 'The work of one day at the bench.' },
  { word: 'skin', says: 'The surface of the finished animal, with its fur on.' },
  { word: 'socket', says: 'The hollow an eye is set in.' },
  { word: 'staple', says: 'How long the fibres of a wool are.' },
  { word: 'stem', says: 'The wire of a bought eye, by which it is set and glued.' },
  { word: 'swatch', says: 'A small sample: on the screen at life size, or felted on a ball to learn from.' },
  { word: 'trimmed off', says: 'What falls in trimming; long offcuts are worth keeping.', met: ['trimmed off'] },
  { word: 'veil', says: 'A layer so thin that what lies below shows through.' },
  { word: 'wisp', says: 'The thinnest doubled pinch, laid with the fur.' },
];

const met = GLOSSARY.flatMap((w) => (w.met ?? []).map((m) => [m, w] as const)).sort(
  (a, b) => b[0].length - a[0].length,
);
const plain = GLOSSARY.map((w) => [w.word, w] as const).sort((a, b) => b[0].length - a[0].length);

/** What a label is about, in a sentence; null where it is plain. The longest way a word is met counts. */
export function explained(label: string): string | null {
  const text = ` ${label.toLowerCase()} `;
  const found = [...met, ...plain].find(([m]) => new RegExp(`[^a-z]${m}s?[^a-z]`).test(text));
  return found ? found[1].says : null;
}
