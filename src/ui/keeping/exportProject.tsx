'use client';

import { App, Checkbox } from 'antd';
import { useCallback } from 'react';
import { fileNameFor, writeProjectFile } from '@/core/project/file';
import type { Project } from '@/core/project/project';
import { openStorage } from '@/store/openStorage';
import { runFiles } from '@/workers/files/client';
import { bytesText } from '../words/figures';
import { storageWords } from '../words/panels/storage';
import { workTrouble } from '../words/work';
import { download } from '../common/download';

/** A point of a log in a file: its time, its resistance, and what stands between them, in characters. */
const POINT_CHARACTERS = 22;

/** Saves a project as its file; where it has time logs, it asks whether they go along and says how much they take. */
export function useExport(): (project: Project) => Promise<void> {
  const { modal, message } = App.useApp();
  return useCallback(
    async (project: Project) => {
      const storage = await openStorage();
      const logs = await storage.logs.list(project.id).catch(() => []);
      let withLogs = logs.length > 0;
      if (withLogs) {
        const points = logs.reduce((total, { count }) => total + count, 0);
        const isWanted = await modal.confirm({
          title: `Export “${project.name}”`,
          icon: null,
          content: (
            <Checkbox defaultChecked onChange={({ target }) => (withLogs = target.checked)}>
              {`with its ${logs.length === 1 ? 'time log' : `${logs.length} time logs`}, about ${bytesText(points * POINT_CHARACTERS)}`}
            </Checkbox>
          ),
          okText: storageWords.export,
        });
        if (!isWanted) return;
      }
      // Without logs it needs nothing but what is on the page: it works whatever has become of the storage.
      if (!withLogs) {
        const text = writeProjectFile(project, new Date().toISOString());
        return download(fileNameFor(project), text, 'application/json');
      }
      const outcome = await runFiles(storage, { kind: 'export', project, withLogs });
      if (outcome.ok && outcome.output.kind === 'export')
        download(fileNameFor(project), outcome.output.file, 'application/json');
      else if (!outcome.ok) void message.error(workTrouble(outcome.reason));
    },
    [modal, message],
  );
}
