// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { loadKinds } from '@/core/loads/kinds';
import { sampleProjects } from '@/core/project/samples';
import { changeDetector } from '@/core/project/detectorEdits';
import { chooseDetector } from '@/core/size/chooseDetector';
import { DEFAULT_DAY } from '@/core/simulate/day/daySettings';
import { renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { alerts, enter, press, stubBrowser } from '../testPanels';
import { ByTimePanel } from './day/ByTimePanel';
import { DayFields } from './day/DayFields';
import { LoadPicture } from './live/LoadPicture';

const [platform] = sampleProjects;

beforeAll(stubBrowser);
afterEach(cleanup);

describe('what a load is drawn as', () => {
  it.each(loadKinds)('has a picture of a %s, off and on', (kind) => {
    const { rerender } = render(<LoadPicture kind={kind} designator="X1" level={0} isClosed={false} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('X1: off');
    rerender(<LoadPicture kind={kind} designator="X1" level={1} isClosed />);
    expect(screen.getByRole('img').getAttribute('aria-label')).not.toBe('X1: off');
  });

  it('says how far it is on in between', () => {
    render(<LoadPicture kind="led" designator="D1" level={0.42} isClosed={false} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/D1: 42.% on/);
  });
});

describe('the fields of a day', () => {
  it('take a place in the south and the west, with a comma, and refuse what lies on no globe', () => {
    const onChange = vi.fn();
    render(<DayFields day={DEFAULT_DAY} onChange={onChange} />);
    enter('Latitude, ° north', '−36,9');
    expect(onChange).toHaveBeenLastCalledWith({ latitude: -36.9 });
    enter('Longitude, ° east', '200');
    expect(alerts().join(' ')).toContain('A figure from -180 to 180.');
    expect(onChange).toHaveBeenCalledTimes(1);
  });

  it('give a room lamp of its own, and another day of the same sort', () => {
    const onChange = vi.fn();
    render(<DayFields day={DEFAULT_DAY} onChange={onChange} />);
    press(/A room lamp/);
    expect(onChange.mock.lastCall?.[0]).toMatchObject({ lamps: [{ lux: 100 }] });
    press('Another day like it');
    expect(onChange).toHaveBeenLastCalledWith({ seed: 2 });
  });
});

describe('a goal by the clock', () => {
  it('is the light of that time', () => {
    const { project } = renderInWorkbench(platform, () => <ByTimePanel day={DEFAULT_DAY} />);
    const before = project().goal.lux;
    press('Set the goal to that light');
    expect(project().goal.lux).not.toBe(before);
    expect(project().goal.lux).toBeGreaterThan(0);
  });

  it('is where it turns off where the goal is that, and nothing where it answers to a change', () => {
    const timer = changeDetector('timer', { matters: 'off' })(chooseDetector('timer')(platform));
    renderInWorkbench(timer, () => <ByTimePanel day={DEFAULT_DAY} />);
    expect(screen.getByText('It should turn off at')).toBeTruthy();
    cleanup();
    const { container } = renderInWorkbench(chooseDetector('change')(platform), () => (
      <ByTimePanel day={DEFAULT_DAY} />
    ));
    expect(container.textContent).toBe('');
  });
});
