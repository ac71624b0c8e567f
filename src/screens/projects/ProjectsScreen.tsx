'use client';

import { FolderOpenOutlined, PlusOutlined } from '@ant-design/icons';
import { Alert, App, Button, Skeleton, Upload } from 'antd';
import { useState } from 'react';
import { sampleProjects } from '@/core/project/samples';
import { checkProject } from '@/core/project/project';
import { storageTrouble } from '@/ui/words/refusals';
import { DamagedRecords } from './DamagedRecords';
import { DamagedCard, ProjectCard } from './ProjectCard';
import styles from './ProjectsScreen.module.css';
import { useProjectActions, useProjectList } from './useProjects';
import { projectsWords } from '@/ui/words/panels/projects';

/** Every project of this browser: open, start, rename, duplicate, delete, import. */
export function ProjectsScreen() {
  const { storage, projects } = useProjectList();
  const actions = useProjectActions(storage);
  const [importError, setImportError] = useState<string | null>(null);
  return (
    <>
      <header className={styles.header}>
        <span className={styles.brand}>{projectsWords.yemko}</span>
        <span>{projectsWords.lightControlledCircuits}</span>
      </header>
      <main className={styles.main}>
        {storage?.kept === 'memory' && <Alert type="warning" showIcon title={storageTrouble('refused')} />}
        <div className={styles.top}>
          <h1>{projectsWords.projects}</h1>
          <Upload
            accept=".json,application/json"
            showUploadList={false}
            disabled={!actions}
            beforeUpload={(file) => {
              setImportError(null);
              void actions?.importFile(file).then(setImportError);
              return false;
            }}
          >
            <Button icon={<FolderOpenOutlined />} disabled={!actions}>
              {projectsWords.importAFile}
            </Button>
          </Upload>
          <Button
            type="primary"
            icon={<PlusOutlined />}
            disabled={!actions}
            onClick={() => void actions?.create()}
          >
            {projectsWords.newProject}
          </Button>
        </div>
        {importError && (
          <Alert
            type="error"
            showIcon
            title={importError}
            closable={{ onClose: () => setImportError(null), 'aria-label': 'Close' }}
          />
        )}
        {projects === null || actions === null ? (
          <Skeleton active paragraph={{ rows: 6 }} />
        ) : (
          <ProjectCards storage={storage} projects={projects} actions={actions} />
        )}
      </main>
    </>
  );
}

interface ProjectCardsProps {
  readonly storage: ReturnType<typeof useProjectList>['storage'];
  readonly projects: NonNullable<ReturnType<typeof useProjectList>['projects']>;
  readonly actions: NonNullable<ReturnType<typeof useProjectActions>>;
}

function ProjectCards({ storage, projects, actions }: ProjectCardsProps) {
  const { notification } = App.useApp();
  const present = new Set(projects.map(({ id }) => id));
  const someSampleMissing = sampleProjects.some(({ id }) => !present.has(id));
  const remove = (id: string) =>
    void actions.remove(id, (undo, name) => {
      const key = `deleted-${id}`;
      notification.open({
        key,
        title: `“${name}” is deleted`,
        duration: 12,
        actions: (
          <Button
            type="primary"
            size="small"
            onClick={() => {
              undo();
              notification.destroy(key);
            }}
          >
            {projectsWords.undo}
          </Button>
        ),
      });
    });
  return (
    <>
      {projects.length === 0 && (
        <p className={styles.empty}>
          Nothing here yet. Start a <b>{projectsWords.newProject2}</b>: type two readings of your LDR and the
          brightness you want.
        </p>
      )}
      <ul className={styles.cards}>
        {projects.map((stored) =>
          checkProject(stored.project).ok ? (
            <ProjectCard
              key={stored.id}
              stored={stored}
              actions={actions}
              onDelete={() => remove(stored.id)}
            />
          ) : (
            <DamagedCard key={stored.id} stored={stored} onDelete={() => remove(stored.id)} />
          ),
        )}
      </ul>
      <DamagedRecords storage={storage} />
      {someSampleMissing && (
        <Button type="link" className={styles.samples} onClick={() => void actions.samples()}>
          {projectsWords.bringBackThe}
        </Button>
      )}
    </>
  );
}
