import type { Symptom } from '../project/built/checkSettings';
import type { Fault, ListedFault } from './fault';
import { patternOf, type Seen } from './seen';
import type { TestBench } from './predict';
import { BRIGHT, DARK } from './testLights';
import { probeKey, type Answer, type Probe } from './probe';

/** What a symptom says of the loads in the dark and in the light; `null` for one that says nothing of it. */
function loadsBy(symptom: Symptom, onInDark: boolean): { readonly dark: Seen; readonly bright: Seen } | null {
  switch (symptom) {
    case 'never-on':
      return { dark: 'off', bright: 'off' };
    case 'always-on':
      return { dark: 'on', bright: 'on' };
    case 'backwards':
      return onInDark ? { dark: 'off', bright: 'on' } : { dark: 'on', bright: 'off' };
    case 'dim':
      return onInDark ? { dark: 'dim', bright: 'off' } : { dark: 'off', bright: 'dim' };
    case 'chatters':
    case 'only-with-torch':
    case 'gets-hot':
    case 'resets':
    case 'worked-before':
      return null;
  }
}

/** Symptoms that are seen at the load, as what would be found there; what was looked at itself goes before. */
export function seenBy(
  { lights, seenBy: loads, wiring }: TestBench,
  symptoms: readonly Symptom[],
  onInDark: boolean,
  answers: readonly Answer[],
): readonly Answer[] {
  const known = new Set(answers.map(({ probe }) => probeKey(probe)));
  const said = symptoms.filter((symptom) => loadsBy(symptom, onInDark) !== null);
  const [symptom] = said;
  const first = symptom && loadsBy(symptom, onInDark);
  if (!first || said.length > 1) return [];
  // What hears only changes is off in any steady light: all but that it is always on is said of the moment of a change.
  const isOfJump = wiring.switching?.hears !== undefined && symptom !== 'always-on';
  return lights.flatMap((_, light): Answer[] => {
    const from = light === DARK ? BRIGHT : DARK;
    const probe: Probe = isOfJump ? { kind: 'load', light, from } : { kind: 'load', light };
    if (light > BRIGHT || known.has(probeKey(probe))) return [];
    const pattern = patternOf(loads.map(() => (light === DARK ? first.dark : first.bright)));
    return [{ probe, value: pattern }];
  });
}

/** How many times likelier a fault makes a symptom than others do: judged, and no more than that. */
function times(symptom: Symptom, fault: Fault): number {
  switch (symptom) {
    case 'gets-hot':
      return fault.kind === 'bridge' || fault.kind === 'reversed' || isSupply(fault, 'reversed') ? 6 : 0.5;
    case 'resets':
      return isSupply(fault, 'flat') ? 10 : fault.kind === 'open' ? 1.5 : 0.7;
    case 'worked-before':
      return fault.kind === 'open' ||
        fault.kind === 'supply' ||
        fault.kind === 'bridge' ||
        fault.kind === 'ldr'
        ? 3
        : 0.15;
    case 'chatters':
      return fault.kind === 'open' || fault.kind === 'ldr' || isSupply(fault, 'flat') ? 2.5 : 0.7;
    case 'only-with-torch':
      return fault.kind === 'value' || fault.kind === 'exchanged' || fault.kind === 'ldr' ? 4 : 0.7;
    case 'never-on':
    case 'always-on':
    case 'backwards':
    case 'dim':
      return fault.kind === 'healthy' ? 0.3 : 1;
  }
}

const isSupply = (fault: Fault, state: 'flat' | 'reversed') =>
  fault.kind === 'supply' && fault.state === state;

/** The list with what is likelier after such symptoms; it adds up to 1 again. */
export function weighedBy(
  faults: readonly ListedFault[],
  symptoms: readonly Symptom[],
): readonly ListedFault[] {
  if (symptoms.length === 0) return faults;
  const weighed = faults.map((listed) => ({
    ...listed,
    prior: symptoms.reduce((prior, symptom) => prior * times(symptom, listed.fault), listed.prior),
  }));
  const total = weighed.reduce((sum, { prior }) => sum + prior, 0);
  return weighed.map((listed) => ({ ...listed, prior: listed.prior / total }));
}
