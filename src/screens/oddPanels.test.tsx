// @vitest-environment happy-dom
import { cleanup } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { curesOf, editTo } from '@/core/advise/remedies';
import { someProject } from '@/core/advise/testProjects';
import type { Project } from '@/core/project/project';
import { promised, runs } from '@/core/testRuns';
import { unusualProject } from '@/core/testUnusual';
import { renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { DividePanel } from './divide/DividePanel';
import { DrivePanel } from './drive/DrivePanel';
import { SupplyAndRatings } from './drive/SupplyAndRatings';
import { SwitchPanel } from './switch/SwitchPanel';
import { stubBrowser } from './testPanels';

beforeAll(stubBrowser);
afterEach(cleanup);

const go = () => undefined;
/** A pin's reading is undefined between two levels, and says so. */
const READS = /the reading is undefined|undefined, between|reads undefined/g;
/** What is no figure, and one that nobody would write down. */
const NO_FIGURE = /NaN|undefined|Infinity|null|\d{7}|\de[+-]?\d|[−-]0(?![.\d])/;

/** Every text, and what stands in every field, apart from each other. */
function textsIn(container: HTMLElement): readonly string[] {
  const walker = document.createTreeWalker(container, NodeFilter.SHOW_TEXT);
  const texts = [...container.querySelectorAll('input')].map(({ value }) => value);
  while (walker.nextNode()) texts.push(walker.currentNode.textContent ?? '');
  return texts;
}

/** What the panels of a design show that is no figure. */
function oddIn(project: Project): readonly string[] {
  const { container } = renderInWorkbench(project, (design) => (
    <>
      <DividePanel design={design} onGo={go} />
      <SwitchPanel design={design} onGo={go} />
      <DrivePanel design={design} onGo={go} />
      <SupplyAndRatings design={design} />
    </>
  ));
  const odd = textsIn(container).filter((text) => NO_FIGURE.test(text.replace(READS, '')));
  cleanup();
  return odd;
}

describe('the panels of any design', () => {
  it('show no figure that is none, nor do those that a button leads to', async () => {
    const count = runs(300, 150, 2);
    let shown = 0;
    for (let seed = 1; seed <= count; seed++) {
      const project = (seed % 2 ? unusualProject : someProject)(seed);
      expect([seed, oddIn(project)]).toEqual([seed, []]);
      const [remedy] = curesOf(project).flatMap(({ remedies }) => remedies);
      if (remedy) expect([seed, 'cured', oddIn(editTo(remedy)(project))]).toEqual([seed, 'cured', []]);
      shown += 1;
      // What is only weakly held is freed between two turns, not within one; a page is large.
      await new Promise((resolve) => setTimeout(resolve));
    }
    promised('designs whose panels show figures only', `${shown} of ${count}`, 'all');
  });
});
