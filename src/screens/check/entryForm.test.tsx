// @vitest-environment happy-dom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { sampleNamed } from '@/core/project/testSamples';
import { memoryStorage } from '@/store/memoryStorage';
import type { WriteOutcome } from '@/store/storage';
import { renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { alerts, press, stubBrowser } from '../testPanels';
import { EntryForm } from './logbook/EntryForm';

const storage = memoryStorage();
let outcome: WriteOutcome = 'saved';
vi.mock('@/store/openStorage', () => ({
  openStorage: async () => ({ ...storage, entries: { ...storage.entries, put: async () => outcome } }),
}));

beforeAll(stubBrowser);
afterEach(cleanup);

const text = () => screen.getByLabelText<HTMLTextAreaElement>('What happened');

describe('a new entry of the logbook', () => {
  it('keeps what was typed, and says why, where it could not be stored', async () => {
    outcome = 'full';
    renderInWorkbench(sampleNamed('Platform lamps'), (design) => <EntryForm design={design} />);
    fireEvent.change(text(), { target: { value: 'New cells' } });
    press('Write it down');
    await waitFor(() => expect(alerts().join()).toContain('no room left'));
    expect(text().value).toBe('New cells');
    outcome = 'saved';
    press('Write it down');
    await waitFor(() => expect(text().value).toBe(''));
    expect(alerts()).toEqual([]);
  });
});
