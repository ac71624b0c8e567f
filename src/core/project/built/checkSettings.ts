import { LIGHT_LIMITS } from '../../light/range';
import { exactly, listOf, oneOf, text, within, withinOrNone, type Infer } from '../../schema';

/** What people say of a circuit that does not do as it should. */
export const symptoms = [
  'never-on',
  'always-on',
  'backwards',
  'dim',
  'chatters',
  'only-with-torch',
  'gets-hot',
  'resets',
  'worked-before',
] as const;
export type Symptom = (typeof symptoms)[number];

export const CHECK_LIMITS = {
  probeLength: 80,
  answers: 400,
  /** V, A, Ω or a code; what a meter shows as OL is the highest. */
  value: { min: -1e6, max: 1e12 },
} as const;

const answerField = exactly({
  /** What was measured or looked at, by its key. */
  probe: text(CHECK_LIMITS.probeLength, 1),
  value: within(CHECK_LIMITS.value),
});
export type KeptAnswer = Infer<typeof answerField>;

export const checkField = exactly({
  /** The lights that it is tested in, on the readings' scale; `null` for those proposed. */
  darkLux: withinOrNone(LIGHT_LIMITS),
  brightLux: withinOrNone(LIGHT_LIMITS),
  /** What was found, in the order in which it was. */
  answers: listOf(answerField, { max: CHECK_LIMITS.answers }),
  symptoms: listOf(oneOf<Symptom>(...symptoms), { max: symptoms.length }),
});

/** What was measured of a built circuit. */
export type CheckSettings = Infer<typeof checkField>;

export const NOT_CHECKED: CheckSettings = { darkLux: null, brightLux: null, answers: [], symptoms: [] };
