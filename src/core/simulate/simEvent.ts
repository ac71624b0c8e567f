/** Something that happened, and when. */
export interface SimEvent {
  /** Seconds since the start. */
  readonly at: number;
  /** The loads are switched, a step of several changes, or a relay's contact moves. */
  readonly what: 'loads' | 'step' | 'contact';
  /** Loads on, contact closed; of a step whether one more is on. */
  readonly isOn: boolean;
  /** The state of the detector then. */
  readonly position: number;
  /** Which load's contact it is. */
  readonly load: number;
  /** The room's light then, without the loads' own, in lx. */
  readonly lux: number;
}
