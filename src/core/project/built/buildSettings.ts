import { boardIds, type BoardId } from '../../board/board';
import { layoutField } from '../../board/layout';
import { ON_THE_BENCH, sitingField } from './siting';
import { exactly, listOf, nullOr, oneOf, text, wholeWithin, withTest, type Infer } from '../../schema';

/** Colours that wire comes in. */
export const wireColors = [
  ...(['red', 'black', 'blue', 'green', 'yellow', 'orange', 'white', 'brown', 'violet', 'grey'] as const),
] as const;
export type WireColor = (typeof wireColors)[number];

/** Orders of three legs: `213` has the second of the usual order first. */
export const legOrders = ['123', '132', '213', '231', '312', '321'] as const;
export type LegOrder = (typeof legOrders)[number];

export const BUILD_LIMITS = {
  copies: { min: 1, max: 100 },
  spares: { min: 0, max: 20 },
  pinLength: 12,
  tickLength: 60,
  ticks: 800,
} as const;

const colorField = oneOf<WireColor>(...wireColors);

/** What a program calls a pin: nothing that could end its line. */
export const isPinName = (name: string): boolean => /^[A-Za-z0-9_]{1,12}$/.test(name);
const pinField = withTest(text(BUILD_LIMITS.pinLength, 1), 'pin', isPinName);

export const buildField = exactly({
  /** `null` for the smallest that it goes on. */
  board: nullOr(oneOf<BoardId>(...boardIds)),
  /** As it was moved by hand; `null` while Yemko places it. */
  layout: nullOr(layoutField),
  /** Steps that are done, by what each puts where: one that changes is to be done again. */
  ticked: listOf(text(BUILD_LIMITS.tickLength, 1), { max: BUILD_LIMITS.ticks }),
  wires: exactly({ plus: colorField, ground: colorField, other: colorField }),
  /** How many are built, and how many parts more of each kind are bought. */
  copies: wholeWithin(BUILD_LIMITS.copies),
  spares: wholeWithin(BUILD_LIMITS.spares),
  /** What the controller's program calls its pins. */
  pins: exactly({ input: pinField, output: pinField }),
  siting: sitingField,
  /** The legs of the transistor in hand, where its package has them in another order. */
  legs: oneOf<LegOrder>(...legOrders),
});

/** How a design is built, and how far that has come. */
export type BuildSettings = Infer<typeof buildField>;

export const NOT_BUILT: BuildSettings = {
  board: null,
  layout: null,
  ticked: [],
  wires: { plus: 'red', ground: 'black', other: 'yellow' },
  copies: 1,
  spares: 0,
  pins: { input: 'A0', output: '2' },
  siting: ON_THE_BENCH,
  legs: '123',
};
