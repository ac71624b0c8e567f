import { changeGoal, takeLoad, together, type Edit } from '../project/edits';
import { newProject } from '../project/newProject';
import type { Project } from '../project/project';
import { defaultLoads } from '../loads/registry';
import { chooseDetector } from './chooseDetector';
import { bandGoal, searchNow, withBand } from './hysteresis';
import type { Starting } from './starting';
import { DEFAULT_STOCK, type ResistorStock } from '../series/stock';

/** Lights to start from, in lx: dusk in a garden, a lamp that is switched on, a torch's beam across a room. */
const DUSK_LUX = 20;
const LAMP_LUX = 60;
const BEAM = { ambientLux: 60, beamLux: 900 } as const;

/** Off again at so many times the light, so that it does not flicker at dusk. */
const BAND_RATIO = 2;
const withHysteresis: Edit = (project) => {
  const wanted = bandGoal(BAND_RATIO)(project);
  return withBand(wanted, searchNow(wanted));
};

const edits: Readonly<Record<Starting, Edit>> = {
  dark: together(
    changeGoal({ action: 'on-in-dark', lux: DUSK_LUX }),
    chooseDetector('comparator'),
    withHysteresis,
  ),
  light: together(
    changeGoal({ action: 'on-in-light', lux: LAMP_LUX }),
    chooseDetector('comparator'),
    withHysteresis,
  ),
  beam: together(
    // Between the two lights as an LDR sees them: their geometric mean.
    changeGoal({
      action: 'on-in-dark',
      lux: Math.round(Math.sqrt(BEAM.ambientLux * (BEAM.ambientLux + BEAM.beamLux))),
    }),
    takeLoad(defaultLoads.buzzer),
    (project) => ({ ...project, beam: BEAM }),
    chooseDetector('comparator'),
  ),
  level: together(changeGoal({ action: 'on-in-light', lux: LAMP_LUX }), chooseDetector('ladder')),
  readings: (project) => project,
};

/** A whole project that does what is wanted out of what is in stock, with a typical LDR until one is measured. */
export const startProject = (
  starting: Starting,
  id: string,
  name: string,
  stock: ResistorStock = DEFAULT_STOCK,
): Project => edits[starting]({ ...newProject(id, name), resistors: stock });
