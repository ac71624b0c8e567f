'use client';

import { CopyOutlined, DeleteOutlined, DownloadOutlined, EditOutlined } from '@ant-design/icons';
import { Button, Input, Tooltip } from 'antd';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import { sampleProjects } from '@/core/project/samples';
import { LIMITS, type Project } from '@/core/project/project';
import type { StoredProject } from '@/store/storage';
import { download } from '@/ui/common/download';
import { exportProject } from '@/ui/common/exportProject';
import { lightRangeOf } from '@/core/analyse/lightRange';
import { fractionOfLux } from '@/core/light/range';
import { measuredLdr } from '@/core/readings/ldrOf';
import { lightGradient } from '@/ui/axis/lightColors';
import { actionNames, transistorNames } from '@/ui/words/names';
import { detectorDefinition } from '@/core/detectors/registry';
import { detectorText } from '@/ui/words/detectors';
import { lightText } from '@/ui/words/light';
import { loadsText } from '@/ui/words/loads';
import styles from './ProjectCard.module.css';
import type { useProjectActions } from './useProjects';
import { projectsWords } from '@/ui/words/panels/projects';

interface ProjectCardProps {
  readonly stored: StoredProject;
  readonly actions: NonNullable<ReturnType<typeof useProjectActions>>;
  readonly onDelete: () => void;
}

const sampleIds = new Set(sampleProjects.map(({ id }) => id));
const changed = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** One project in the list, with all that can be done to it there. */
export function ProjectCard({ stored, actions, onDelete }: ProjectCardProps) {
  const { project } = stored;
  const [renaming, setRenaming] = useState(false);
  return (
    <li className={styles.card}>
      <div className={styles.text}>
        {renaming ? (
          <NameInput
            name={project.name}
            onDone={(name) => {
              setRenaming(false);
              if (name !== null && name !== project.name) void actions.rename(project.id, name);
            }}
          />
        ) : (
          <Link href={`/project/${project.id}/measure`} className={styles.name}>
            {project.name}
          </Link>
        )}
        <p>{summaryOf(project)}</p>
        <MiniAxis project={project} />
        <p className="soft">
          {sampleIds.has(project.id) ? 'Sample, made up. ' : ''}Changed {changed.format(stored.changedAt)}
        </p>
      </div>
      <div className={styles.tools}>
        <Tool
          label={projectsWords.rename}
          name={project.name}
          icon={<EditOutlined />}
          onClick={() => setRenaming(true)}
        />
        <Tool
          label={projectsWords.duplicate}
          name={project.name}
          icon={<CopyOutlined />}
          onClick={() => void actions.duplicate(stored)}
        />
        <Tool
          label={projectsWords.export}
          name={project.name}
          icon={<DownloadOutlined />}
          onClick={() => exportProject(project)}
        />
        <Tool label={projectsWords.delete} name={project.name} icon={<DeleteOutlined />} onClick={onDelete} />
      </div>
    </li>
  );
}

interface DamagedCardProps {
  readonly stored: { readonly id: string };
  readonly onDelete: () => void;
}

/** A project whose stored figures cannot be read: it can be saved as it is, or deleted. */
export function DamagedCard({ stored, onDelete }: DamagedCardProps) {
  const { id } = stored;
  return (
    <li className={styles.card}>
      <div className={styles.text}>
        <b>{projectsWords.aDamagedProject}</b>
        <p className="soft">What this browser has stored of it ({id}) cannot be read. It is left as it is.</p>
      </div>
      <div className={styles.tools}>
        <Tool
          label={projectsWords.saveAsIt}
          name="the damaged project"
          icon={<DownloadOutlined />}
          onClick={() => download(`damaged-${id}.json`, JSON.stringify(stored, null, 2), 'application/json')}
        />
        <Tool
          label={projectsWords.delete}
          name="the damaged project"
          icon={<DeleteOutlined />}
          onClick={onDelete}
        />
      </div>
    </li>
  );
}

function summaryOf(project: Project): string {
  const { goal, readings, loads, driver, detector } = project;
  const light = lightText(measuredLdr(project).resolved.scale);
  const side = goal.action === 'on-in-dark' ? 'below' : 'above';
  const ldr =
    readings.length === 0
      ? 'typical LDR'
      : `${readings.length} ${readings.length === 1 ? 'reading' : 'readings'}`;
  const by = detectorDefinition(detector).output(detector)
    ? detectorText(detector)
    : transistorNames[driver.kind];
  return `${loadsText(loads)} ${actionNames[goal.action]}, ${side} ${light(goal.lux)} · ${by} · ${ldr}`;
}

/** The light axis in little: where the load is meant to be on, under the colours of light. */
function MiniAxis({ project }: { readonly project: Project }) {
  const { goal } = project;
  const range = lightRangeOf(project);
  const { scale } = measuredLdr(project).resolved;
  const place = fractionOfLux(goal.lux, range) * 100;
  const on = goal.action === 'on-in-dark' ? { left: 0, width: `${place}%` } : { left: `${place}%`, right: 0 };
  return (
    <div className={styles.mini} aria-hidden>
      <div className={styles.miniLight} style={{ background: lightGradient(range, scale) }} />
      <div className={styles.miniLoad}>
        <i style={on} />
      </div>
      <b style={{ left: `${place}%` }} />
    </div>
  );
}

interface ToolProps {
  readonly label: string;
  readonly name: string;
  readonly icon: ReactNode;
  readonly onClick: () => void;
}

function Tool({ label, name, icon, onClick }: ToolProps) {
  return (
    <Tooltip title={label}>
      <Button type="text" icon={icon} aria-label={`${label} ${name}`} onClick={onClick} />
    </Tooltip>
  );
}

function NameInput({
  name,
  onDone,
}: {
  readonly name: string;
  readonly onDone: (name: string | null) => void;
}) {
  const [typed, setTyped] = useState(name);
  const empty = typed.trim() === '';
  const done = () => onDone(empty ? null : typed.trim());
  return (
    <span>
      <Input
        aria-label={`New name of ${name}`}
        autoFocus
        value={typed}
        maxLength={LIMITS.nameLength}
        status={empty ? 'error' : ''}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={done}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !empty) done();
          if (event.key === 'Escape') onDone(null);
        }}
      />
      {empty && (
        <span role="alert" className={styles.error}>
          {projectsWords.aProjectNeeds}
        </span>
      )}
    </span>
  );
}
