import { createContext, useCallback, useContext, useMemo } from 'react';
import { useStore } from 'zustand';
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Advice } from '@/core/advise/advice';
import type { Edit } from '@/core/project/edits';
import type { Goal, Project, VariantName } from '@/core/project/project';
import type { ProbeFrom, ProbeReading } from '@/core/analyse/probe';
import { fromDark } from '@/core/operate/operate';
import { measuredLdr } from '@/core/readings/ldrOf';
import type { LampKind } from '@/core/readings/reading';
import type { Session, SessionState } from '@/store/session';
import type { LightScale } from '@/core/light/scale';
import { lightText, type LightText } from '../words/light';
import { analysisOf, probedAt } from './analysisCache';
import type { Paces } from './settled';

/** What the next reading is taken with: it stays from one reading to the next. */
export interface EntryState {
  readonly lightText: string;
  /** Range of a meter whose range is chosen by hand; `null` for its usual one. */
  readonly rangeOhms: number | null;
  readonly lamp: LampKind | null;
  readonly note: string;
}

/** What is on the screen but not part of the design. */
export interface ViewState {
  readonly entry: EntryState;
  readonly probeLux: number;
  /** The state of the circuit as the probe came to that light: within a band it stays as it was. */
  readonly probeFrom: ProbeFrom;
  /** The goal while it is being dragged, before it is dropped. */
  readonly draftGoal: Partial<Pick<Goal, 'lux' | 'offLux'>> | null;
  /** A variant that is shown on the axis beside the open one. */
  readonly beside: VariantName | null;
  /** What fails of a design at the ends of what it may meet; known a moment after the design. */
  readonly corners: { readonly of: Project; readonly advice: readonly Advice[] } | null;
}

export interface Workbench extends Paces {
  readonly session: Session;
  readonly view: StoreApi<ViewState>;
}

export function createView(probeLux: number): StoreApi<ViewState> {
  return createStore<ViewState>(() => ({
    probeLux,
    probeFrom: fromDark,
    draftGoal: null,
    beside: null,
    corners: null,
    entry: { lightText: '', rangeOhms: null, lamp: null, note: '' },
  }));
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

/** What the next reading is taken with, and how to change it. */
export function useEntry(): readonly [EntryState, (change: Partial<EntryState>) => void] {
  const { view } = useWorkbench();
  const entry = useView((state) => state.entry);
  const change = useCallback(
    (part: Partial<EntryState>) => view.setState((state) => ({ entry: { ...state.entry, ...part } })),
    [view],
  );
  return [entry, change];
}

/** The project as those within see it, where that is not a frame behind; see {@link Settle}, {@link AtOnce}. */
export const PaceContext = createContext<StoreApi<Project> | null>(null);
/** Whether a goal that is being dragged does not count; see {@link Settle}. */
export const StillContext = createContext(false);

/** The design as it stands, with a goal that is being dragged already in it; within {@link Settle}, as it last stood still. */
export function useProject(): Project {
  const project = useProjectPart((whole) => whole);
  const draft = useDraftGoal();
  return useMemo(
    () => (draft === null ? project : { ...project, goal: { ...project.goal, ...draft } }),
    [project, draft],
  );
}

/** A narrow value of the design, for parts that need not be drawn anew with every change of the rest. */
export function useProjectPart<T>(select: (project: Project) => T): T {
  const { followed } = useWorkbench();
  return useStore(useContext(PaceContext) ?? followed, select);
}

function useDraftGoal(): ViewState['draftGoal'] {
  const isStill = useContext(StillContext);
  return useView((state) => (isStill ? null : state.draftGoal));
}

/** The goal, while it is being dragged too. */
export function useGoal(): Goal {
  const goal = useProjectPart((project) => project.goal);
  const draft = useDraftGoal();
  return useMemo(() => (draft === null ? goal : { ...goal, ...draft }), [goal, draft]);
}

export function useApply(): (edit: Edit, mergeKey?: string) => void {
  return useWorkbench().session.apply;
}

/** Everything that follows from the design; computed once for each design. */
export function useAnalysis() {
  return analysisOf(useProject());
}

/** The scale that the project's lights are on. */
export function useScale(): LightScale {
  return useProjectPart((project) => measuredLdr(project).resolved.scale);
}

/** How the project tells its lights: in lux, relative to its lamp, or in ohms. */
export function useLightText(): LightText {
  return lightText(useScale());
}

/** What meters would show at the probe; `null` where the circuit has no solution there. */
export function useProbe(): ProbeReading | null {
  const project = useProject();
  const lux = useView((state) => state.probeLux);
  const from = useView((state) => state.probeFrom);
  return useMemo(() => probedAt(project, lux, from), [project, lux, from]);
}

/** Moves the probe: the circuit comes to the new light in the state in which the light before left it. */
export function moveProbe({ session, view }: Workbench, probeLux: number): void {
  const { probeLux: before, probeFrom } = view.getState();
  const left = probedAt(session.store.getState().project, before, probeFrom);
  view.setState({ probeLux, probeFrom: left?.state ?? fromDark });
}
