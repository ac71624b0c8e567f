// @vitest-environment happy-dom
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { Project } from '@/core/project/project';
import { sampleNamed } from '@/core/project/testSamples';
import { renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { alerts, enter, press, stubBrowser } from '../../testPanels';
import { SitingPanel } from './SitingPanel';

beforeAll(stubBrowser);
afterEach(cleanup);

const show = (project: Project) => renderInWorkbench(project, (design) => <SitingPanel design={design} />);

describe('where a design goes', () => {
  it('asks for leads as people say lengths, and for the mains beside them only where there are some', () => {
    show(sampleNamed('Platform lamps'));
    expect(screen.queryByText('The leads run beside mains wiring')).toBeNull();
    enter('LDR on leads of', '3 miles');
    expect(alerts().join(' ')).toContain('Not a length.');
    enter('LDR on leads of', '200 m');
    expect(alerts().join(' ')).toContain('not reckoned with');
    enter('LDR on leads of', '150cm');
    expect(alerts()).toEqual([]);
    expect(screen.getByText('The leads run beside mains wiring')).toBeTruthy();
    enter('LDR on leads of', '');
    expect(screen.queryByText('The leads run beside mains wiring')).toBeNull();
  });

  it('says what hum does, and its button takes shielded leads', () => {
    show(sampleNamed('Platform lamps'));
    expect(screen.queryByText(/Mains hum/)).toBeNull();
    enter('LDR on leads of', '90 m');
    fireEvent.click(screen.getByLabelText('The leads run beside mains wiring'));
    expect(screen.getByText(/Mains hum on the LDR’s leads/)).toBeTruthy();
    press('Take shielded leads');
    expect(screen.queryByRole('button', { name: 'Take shielded leads' })).toBeNull();
    expect(screen.getByText('shielded')).toBeTruthy();
  });

  it('tells the goal in front of a window, and what is shut in', () => {
    show({ ...sampleNamed('Platform lamps'), feedbackLux: 0 });
    enter('Light through its window or tube, %', '25');
    expect(screen.getByText('Goal, in front of that')).toBeTruthy();
    enter('Light through its window or tube, %', '100');
    fireEvent.click(screen.getByText('closed'));
    expect(screen.getByText(/all the light is said to reach it/)).toBeTruthy();
    press('Put the LDR on leads');
    expect(screen.queryByText(/all the light is said to reach it/)).toBeNull();
  });
});
