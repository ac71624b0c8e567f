import { exactly, flag, oneOf, within, type Infer } from '../../schema';

export const SITING_LIMITS = {
  leadMetres: { min: 0, max: 100 },
  clearShare: { min: 0.001, max: 1 },
} as const;

export const leadKinds = ['plain', 'shielded'] as const;
export type LeadKind = (typeof leadKinds)[number];

/** What is around board and wires: nothing, a box with holes, or a closed one. */
export const boxKinds = ['open', 'vented', 'closed'] as const;
export type BoxKind = (typeof boxKinds)[number];

export const sitingField = exactly({
  /** From the board to the LDR; 0 where it sits on the board. */
  leadMetres: within(SITING_LIMITS.leadMetres),
  leads: oneOf<LeadKind>(...leadKinds),
  /** The leads run beside mains wiring. */
  isNearMains: flag(),
  /** Share of the light in front of it that comes to the LDR through its window or tube; 1 without one. */
  clearShare: within(SITING_LIMITS.clearShare),
  box: oneOf<BoxKind>(...boxKinds),
  /** Switch, trimmer and battery are reached without opening anything. */
  isReached: flag(),
});

/** Where a design goes once it is built. */
export type Siting = Infer<typeof sitingField>;

/** On the bench: the LDR on the board, nothing around it. */
export const ON_THE_BENCH: Siting = {
  leadMetres: 0,
  leads: 'plain',
  isNearMains: false,
  clearShare: 1,
  box: 'open',
  isReached: true,
};
