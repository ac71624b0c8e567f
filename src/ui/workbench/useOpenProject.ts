import { useEffect, useState } from 'react';
import type { StoreApi } from 'zustand/vanilla';
import { checkProject } from '@/core/project/project';
import { keepLastMoment, takeUpLastMoment } from '@/store/lastMoment';
import { openStorage } from '@/store/openStorage';
import { openSession, type Session } from '@/store/session';
import { heldSession, holdWhileUnsaved } from '@/store/unsaved';
import { fromDark } from '@/core/operate/operate';
import { measuredLdr } from '@/core/readings/ldrOf';
import { adoptSymbols, OLD_SYMBOLS } from '../settings/settings';
import { followProject, frameAfterThis } from './settled';
import { createView, type ViewState, type Workbench } from './context';

export type OpenProject =
  | { readonly state: 'opening' }
  | { readonly state: 'missing' }
  | { readonly state: 'damaged'; readonly path: string }
  | { readonly state: 'open'; readonly workbench: Workbench; readonly kept: 'browser' | 'memory' };

/** Between two writes, in ms. */
const WRITE_REST = 100;

/** The probe starts this much brighter than the goal, so that neither hides the other. */
const PROBE_START = 4;

/** Opens a stored project and follows what other tabs do to it. */
export function useOpenProject(id: string): OpenProject {
  const [opened, setOpened] = useState<OpenProject>({ state: 'opening' });
  useEffect(() => {
    let left = false;
    let stop: (() => void) | undefined;
    void openStorage().then(async (storage) => {
      void storage.setting(OLD_SYMBOLS.key, OLD_SYMBOLS.field).then(adoptSymbols, () => undefined);
      const held = heldSession(id);
      const bundle = await storage.load(id).catch(() => null);
      if (left) return;
      if (!held && !bundle) {
        setOpened({ state: 'missing' });
        return;
      }
      const checked = bundle && checkProject(bundle.stored.project);
      if (!held && checked && !checked.ok) {
        setOpened({ state: 'damaged', path: checked.path });
        return;
      }
      const session = held ?? (bundle && openSession(bundle, storage, Date.now, WRITE_REST));
      if (!session) return;
      if (!held) {
        takeUpLastMoment(id, session, bundle?.stored.changedAt ?? 0);
        holdWhileUnsaved(id, session, storage.kept);
      }
      const leave = () => {
        session.hurry();
        if (storage.kept === 'browser') keepLastMoment(id, session, Date.now());
      };
      const view = createView(session.store.getState().project.goal.lux * PROBE_START);
      const unwatch = storage.watchOne(id, () => void session.refresh());
      const unfollow = followScale(session, view);
      const { stop: unsettle, ...paces } = followProject(session, () => performance.now(), frameAfterThis);
      window.addEventListener('pagehide', leave);
      stop = () => {
        window.removeEventListener('pagehide', leave);
        session.hurry();
        unwatch();
        unfollow();
        unsettle();
      };
      setOpened({ state: 'open', workbench: { session, view, ...paces }, kept: storage.kept });
    });
    return () => {
      left = true;
      stop?.();
    };
  }, [id]);
  return opened;
}

/** When the readings come onto another scale, the probe's light means nothing on it: it starts anew beside the goal. */
function followScale({ store }: Session, view: StoreApi<ViewState>): () => void {
  const scaleOf = () => measuredLdr(store.getState().project).resolved.scale;
  let scale = scaleOf();
  return store.subscribe(({ project }) => {
    const now = scaleOf();
    if (now !== scale) view.setState({ probeLux: project.goal.lux * PROBE_START, probeFrom: fromDark });
    scale = now;
  });
}
