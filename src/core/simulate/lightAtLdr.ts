import { ldrLuxAt, ldrOhmsAt } from '../ldr/curve';
import { findRoot } from '../numeric/findRoot';
import type { LoadsInTime } from './loadsInTime';
import type { Machine } from './machine';
import type { StateTable } from './stateTable';

/** No light is taken for less, in lx. */
const MIN_LUX = 1e-6;

/** Where an LDR would settle in the light of the room and that of the loads. Lights as conductances, in S. */
export class LightAtLdr {
  private readonly dimsItself: boolean;

  constructor(
    private readonly machine: Machine,
    private readonly loads: LoadsInTime,
  ) {
    const { isSoft, isOn, feedbackLux, loads: all } = machine;
    // Its own light takes back a soft load, unless that is a contact, which snaps. A lamp's swinging to its rest is left out.
    this.dimsItself = isSoft && isOn[0] === true && feedbackLux > 0 && all[0]?.pull === null;
  }

  /** Light of the loads that reaches the LDR, in lx. */
  get ownLux(): number {
    const { feedbackLux, isLitWhenOff } = this.machine;
    const level = this.loads.states[0]?.level ?? 0;
    return feedbackLux * (isLitWhenOff ? 1 - level : level);
  }

  siemensIn(lux: number): number {
    return 1 / ldrOhmsAt(this.machine.curve, Math.max(lux, MIN_LUX));
  }

  luxOf(siemens: number): number {
    return ldrLuxAt(this.machine.curve, 1 / siemens) ?? 0;
  }

  /** In the room's light and the loads' own together. @param room what it would settle at in the room's alone */
  target(room: number, table: StateTable | undefined): number {
    if (this.dimsItself) return this.restOfDimmed(room, table);
    const { ownLux } = this;
    return ownLux > 0 ? this.siemensIn(this.luxOf(room) + ownLux) : room;
  }

  /**
   * The same of a soft switch that dims itself: more light takes the load back, and the less that gives the less light there is.
   * There is just one such conductance; taken at once it cannot be overshot, as it would be step by step.
   */
  private restOfDimmed(room: number, table: StateTable | undefined): number {
    const { feedbackLux } = this.machine;
    const roomLux = this.luxOf(room);
    const lit = this.siemensIn(roomLux + feedbackLux);
    if (lit <= room) return room;
    const settledFor = (siemens: number) =>
      this.siemensIn(roomLux + feedbackLux * this.loads.wantedLevel(0, table, siemens));
    const over = (lnSiemens: number) => lnSiemens - Math.log(settledFor(Math.exp(lnSiemens)));
    const root = findRoot(over, Math.log(room), Math.log(lit), { tolerance: 1e-9 });
    return root.ok ? Math.exp(root.x) : room;
  }
}
