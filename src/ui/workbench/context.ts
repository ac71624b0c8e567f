import { createContext, useContext, useMemo } from 'react';
import { useStore } from 'zustand';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Edit } from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import type { ProbeReading } from '@/core/design/probe';
import type { Session, SessionState } from '@/store/session';
import { analysisOf, probeFor } from './analysisCache';

/** What is on the screen but not part of the design. */
export interface ViewState {
  readonly probeLux: number;
  /** The goal while it is being dragged, before it is let go. */
  readonly draftGoalLux: number | null;
}

export interface Workbench {
  readonly session: Session;
  readonly view: StoreApi<ViewState>;
}

export function createView(probeLux: number): StoreApi<ViewState> {
  return createStore<ViewState>(() => ({ probeLux, draftGoalLux: null }));
}

export const WorkbenchContext = createContext<Workbench | null>(null);

export function useWorkbench(): Workbench {
  const workbench = useContext(WorkbenchContext);
  if (!workbench) throw new Error('a workbench part outside a workbench');
  return workbench;
}

/** A narrow value of the session. */
export function useSession<T>(select: (state: SessionState) => T): T {
  return useStore(useWorkbench().session.store, select);
}

/** A narrow value of the view. */
export function useView<T>(select: (state: ViewState) => T): T {
  return useStore(useWorkbench().view, select);
}

/** The design as it stands, with a goal that is being dragged already in it. */
export function useProject(): Project {
  const project = useSession((state) => state.project);
  const draft = useView((state) => state.draftGoalLux);
  return useMemo(
    () => (draft === null ? project : { ...project, goal: { ...project.goal, lux: draft } }),
    [project, draft],
  );
}

export function useApply(): (edit: Edit, mergeKey?: string) => void {
  return useWorkbench().session.apply;
}

/** Everything that follows from the design; computed once for each design. */
export function useAnalysis() {
  return analysisOf(useProject());
}

/** What meters would show at the probe; `null` where the circuit has no solution there. */
export function useProbe(): ProbeReading | null {
  const project = useProject();
  const lux = useView((state) => state.probeLux);
  return useMemo(() => probeFor(project)(lux), [project, lux]);
}
