import { designingFigures } from './figures/designing';
import type { Given } from './figures/given';
import { measuringFigures } from './figures/measuring';
import { workingFigures } from './figures/working';

const figures = { ...measuringFigures, ...designingFigures, ...workingFigures };

/** Whether a panel shows anything that was computed. */
export const hasFigures = (title: string): boolean => title in figures;

/** How the figures of a panel were found, with the numbers of this project; none for a panel that computes nothing. */
export const panelFigures = (title: string, given: Given): readonly string[] => figures[title]?.(given) ?? [];
