import type { Design } from '@/core/design';
import type { Project } from '@/core/project/project';
import type { LightText } from '../../light';

/** What a panel's figures are told from. */
export interface Given {
  readonly project: Project;
  readonly design: Design;
  readonly light: LightText;
}

/** How the figures of a panel were found, with this project's numbers: a line each. */
export type FiguresOf = (given: Given) => readonly string[];
