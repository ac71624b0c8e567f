export const contactUses = ['nothing', 'resistive', 'lamp', 'motor'] as const;
export type ContactUse = (typeof contactUses)[number];

/** Share of their resistive rating that contacts keep for other kinds of load (usual derating: inrush, arcs). */
export const CONTACT_SHARES: Readonly<Record<ContactUse, number>> = {
  nothing: 1,
  resistive: 1,
  lamp: 0.1,
  motor: 0.25,
};
/** The contact that closes when the coil drops out is pressed by the spring alone and carries less. */
export const NORMALLY_CLOSED_SHARE = 0.6;

/** Contacts that relays and contactors are sold with, in A. */
const SOLD_CONTACTS = [5, 10, 16, 30, 40];

/** The share of their resistive rating that contacts carry of a kind of load. */
export const contactShare = (use: ContactUse, contact: 'no' | 'nc') =>
  CONTACT_SHARES[use] * (contact === 'nc' ? NORMALLY_CLOSED_SHARE : 1);

/** The smallest contacts sold that carry a current of a kind of load; `null` where none do. */
export function contactsFor(use: ContactUse, contact: 'no' | 'nc', amps: number): number | null {
  return SOLD_CONTACTS.find((rated) => rated * contactShare(use, contact) >= amps) ?? null;
}
