import { render } from '@testing-library/react';
import { ConfigProvider } from 'antd';
import type { ReactNode } from 'react';
import { cornersOf } from '@/core/advise/corners';
import { curesOf } from '@/core/advise/remedies';
import { analyse, type Design } from '@/core/design';
import type { Project } from '@/core/project/project';
import { memoryStorage } from '@/store/memoryStorage';
import { openSession } from '@/store/session';
import { freshBundle } from '@/store/storage';
import { AdviceList } from '../common/AdviceList';
import { antTheme } from '../theme/antTheme';
import { createView, useAnalysis, useProject, WorkbenchContext } from './context';
import { followProject } from './settled';

/** As the app has it: rules are not written into the page at each render, which takes a third of a test. */
const LOOK = antTheme('day', true);

/** For component tests: panels within a workbench that has a project open, and the project as it stands. */
export function renderInWorkbench(project: Project, panels: (design: Design) => ReactNode) {
  const session = openSession(freshBundle(project, 0), memoryStorage(), () => 0);
  const view = createView(project.goal.lux * 4);
  const paces = followProject(
    session,
    () => 0,
    (go) => go(),
  );
  const workbench = {
    session,
    view,
    present: paces.present,
    followed: paces.followed,
    settled: paces.settled,
  };
  const result = render(
    <ConfigProvider theme={LOOK}>
      <WorkbenchContext value={workbench}>
        <Panels panels={panels} />
      </WorkbenchContext>
    </ConfigProvider>,
  );
  return { ...result, view, project: () => session.store.getState().project };
}

function Panels({ panels }: { readonly panels: (design: Design) => ReactNode }) {
  const analysis = useAnalysis();
  return analysis.ok ? panels(analysis.design) : null;
}

/** For component tests: the advice with what cures it, found at once. */
export function CuredAdvice({ design }: { readonly design: Design }) {
  const project = useProject();
  return <AdviceList advice={[...design.advice, ...cornersOf(project)]} cures={curesOf(project)} />;
}

/** For component tests: a project's design. */
export function designOf(project: Project): Design {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
