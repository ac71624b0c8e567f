import { useEffect, useState } from 'react';
import { checkProject } from '@/core/project/schema';
import { openStorage } from '@/store/openStorage';
import { openSession } from '@/store/session';
import { createView, type Workbench } from './context';

export type OpenProject =
  | { readonly state: 'opening' }
  | { readonly state: 'missing' }
  | { readonly state: 'damaged'; readonly path: string }
  | { readonly state: 'open'; readonly workbench: Workbench; readonly kept: 'browser' | 'memory' };

/** The probe starts this much brighter than the goal, so that neither hides the other. */
const PROBE_START = 4;

/** Opens a stored project and follows what other tabs do to it. */
export function useOpenProject(id: string): OpenProject {
  const [opened, setOpened] = useState<OpenProject>({ state: 'opening' });
  useEffect(() => {
    let left = false;
    let stop: (() => void) | undefined;
    void openStorage().then(async (storage) => {
      const bundle = await storage.load(id).catch(() => null);
      if (left) return;
      if (!bundle) {
        setOpened({ state: 'missing' });
        return;
      }
      const checked = checkProject(bundle.stored.project);
      if (!checked.ok) {
        setOpened({ state: 'damaged', path: checked.path });
        return;
      }
      const session = openSession(bundle, storage, Date.now);
      stop = storage.watch(() => void session.refresh());
      const view = createView(bundle.stored.project.goal.lux * PROBE_START);
      setOpened({ state: 'open', workbench: { session, view }, kept: storage.kept });
    });
    return () => {
      left = true;
      stop?.();
    };
  }, [id]);
  return opened;
}
