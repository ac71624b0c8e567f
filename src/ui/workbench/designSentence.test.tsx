// @vitest-environment happy-dom
import { act, cleanup, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { cornersOf } from '@/core/advise/corners';
import { sampleNamed } from '@/core/project/testSamples';
import { stubBrowser } from '@/screens/testPanels';
import { DesignSentence } from './DesignSentence';
import { renderInWorkbench } from './testWorkbench';

beforeAll(stubBrowser);
afterEach(cleanup);

const shelf = sampleNamed('Seedling shelf');
const spoken = () => screen.getByRole('status').textContent.replaceAll('\u00a0', ' ');

describe('what is told of a design to who does not see it', () => {
  it('is that it has no drawbacks only once it has none at the ends either', () => {
    const sagging = { ...shelf, source: { ...shelf.source, lowShare: 0.55 } };
    const { view } = renderInWorkbench(sagging, (design) => <DesignSentence design={design} />);
    const nothing = 'No drawbacks found.';
    // Before it is known what becomes of it at the ends neither is said.
    expect(spoken()).not.toContain(nothing);
    act(() => view.setState({ corners: { of: sagging, advice: cornersOf(sagging) } }));
    expect(spoken()).toContain('it stops working');
    expect(spoken()).not.toContain(nothing);
    // Of another project, or of this one before it was changed, it says nothing.
    act(() => view.setState({ corners: { of: shelf, advice: cornersOf(sagging) } }));
    expect(spoken()).not.toContain('it stops working');
    act(() => view.setState({ corners: { of: sagging, advice: [] } }));
    expect(spoken()).toContain(nothing);
  });

  it('is a change of the light where that is what switches', () => {
    renderInWorkbench(sampleNamed('Marble gate'), (design) => <DesignSentence design={design} />);
    expect(spoken()).toContain('; switches at a change of the light.');
  });
});
