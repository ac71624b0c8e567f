import type { LightScale } from '../light/scale';

/** What one can do to the light of a bench. */
export const hands = [
  'hand',
  'cover',
  'torch',
  'leaf',
  'cloud',
  'headlights',
  'room-lamp',
  'screen',
  'beam',
  'sunset',
] as const;
export type Hand = (typeof hands)[number];

/** Those that stay until they are taken away; the others pass by themselves. */
export const LASTING: readonly Hand[] = ['cover', 'room-lamp', 'screen', 'beam'];

/** How long each lasts, in s; of those that stay how long they take to come and to go. */
export const HAND_SECONDS: Readonly<Record<Hand, number>> = {
  hand: 1.2,
  cover: 0.15,
  torch: 1.5,
  leaf: 6,
  cloud: 24,
  headlights: 4,
  'room-lamp': 0.05,
  screen: 0.2,
  beam: 0.01,
  sunset: 60,
};

/** A hand over an LDR leaves this share, a cover this, and a cloud this. */
const SHADE = { hand: 0.1, cover: 0.001, cloud: 0.3, leaf: 0.6 } as const;
/** More light, in lx; on a scale other than lux in units of {@link HandsIn}. */
const MORE = { torch: 3000, headlights: 35, 'room-lamp': 150, screen: 20 } as const;
const LEAF_HERTZ = 1.1;
/** A screen flickers by so much, so often a second, and a lamp on the mains at 100 Hz. */
const SCREEN = { depth: 0.5, hertz: 4 } as const;
const RIPPLE = { depth: 0.1, hertz: 100 } as const;
/** A sunset leaves a thousandth. */
const SUNSET_LN = Math.log(1000);

/** How much of a hand is there: 0 before it comes and when it has gone, 1 in between. */
function presence(hand: Hand, seconds: number, endedFor: number | null): number {
  const whole = HAND_SECONDS[hand];
  if (LASTING.includes(hand)) {
    const there = Math.min(1, seconds / whole);
    return endedFor === null ? there : Math.max(0, there - endedFor / whole);
  }
  const edge = whole * 0.15;
  return Math.max(0, Math.min(1, seconds / edge, (whole - seconds) / edge));
}

/** A hand on its way. */
export interface Gesture {
  readonly hand: Hand;
  readonly from: number;
  /** When it was taken away; `null` while it stays or passes by itself. */
  readonly endedAt: number | null;
}

/** Whether a gesture has gone. */
export function isGone({ hand, from, endedAt }: Gesture, time: number): boolean {
  if (LASTING.includes(hand)) return endedAt !== null && time - endedAt > HAND_SECONDS[hand];
  return time - from > HAND_SECONDS[hand];
}

/** Where the hands are. */
export interface HandsIn {
  /** What a beam onto the LDR gives of the steady light, which goes when it is broken; in lx. */
  readonly beamLux: number;
  /** What one lux is on the project's scale: 1 where that is lux. */
  readonly unitLux: number;
}

/** On a scale that is not lux nobody knows what a torch gives: there the goal counts as the light of a dim room, in lx. */
const DIM_ROOM_LUX = 50;

/** What one lux is on a scale. @param goalLux the goal on that scale */
export const unitLuxOf = (scale: LightScale, goalLux: number): number =>
  scale === 'lux' ? 1 : goalLux / DIM_ROOM_LUX;

/**
 * The light that gestures make of a steady one.
 */
export function lightUnder(
  lux: number,
  gestures: readonly Gesture[],
  time: number,
  { beamLux, unitLux }: HandsIn,
): number {
  let [share, more] = [1, 0];
  for (const { hand, from, endedAt } of gestures) {
    const since = time - from;
    if (since < 0) continue;
    const there = presence(hand, since, endedAt === null ? null : time - endedAt);
    switch (hand) {
      case 'hand':
      case 'cover':
      case 'cloud':
        share *= 1 - there * (1 - SHADE[hand]);
        break;
      case 'leaf':
        share *= 1 - there * (1 - SHADE.leaf) * (0.5 - 0.5 * Math.cos(2 * Math.PI * LEAF_HERTZ * since));
        break;
      case 'torch':
      case 'headlights':
        more += there * unitLux * MORE[hand];
        break;
      case 'room-lamp':
        more +=
          there *
          unitLux *
          MORE[hand] *
          (1 + (RIPPLE.depth / 2) * Math.sin(2 * Math.PI * RIPPLE.hertz * time));
        break;
      case 'screen':
        more +=
          there * unitLux * MORE.screen * (1 + SCREEN.depth * Math.sin(2 * Math.PI * SCREEN.hertz * time));
        break;
      case 'beam':
        more -= there * Math.min(beamLux, lux * 0.98);
        break;
      case 'sunset':
        // It has gone down when it is over; whoever asks makes the steady light follow.
        share *= Math.exp((-SUNSET_LN * Math.min(HAND_SECONDS.sunset, since)) / HAND_SECONDS.sunset);
    }
  }
  return Math.max(1e-4 * unitLux, lux * share + more);
}

/** What is left of the steady light after a sunset. */
export const AFTER_SUNSET = Math.exp(-SUNSET_LN);
