'use client';

import { Button, Input } from 'antd';
import { useId, useMemo, useState, type ReactNode } from 'react';
import type { Step } from '@/core/advise/advice';
import { cppProgram } from '@/core/build/firmware/cpp';
import { pythonProgram } from '@/core/build/firmware/python';
import {
  fileNameOf,
  programRules,
  rulesWithController,
  type ProgramRules,
} from '@/core/build/firmware/rules';
import type { Design } from '@/core/design';
import { changeBuild } from '@/core/project/built/buildEdits';
import { BUILD_LIMITS, isPinName } from '@/core/project/built/buildSettings';
import { Columns } from '@/ui/common/Columns';
import { download } from '@/ui/common/download';
import { Panel } from '@/ui/common/Panel';
import { Choice } from '@/ui/fields/Choice';
import { Schematic } from '@/ui/schematic/Schematic';
import { useApply, useProject } from '@/ui/workbench/context';
import { buildWords } from '@/ui/words/panels/build';
import styles from '../Build.module.css';

const languages = [
  { value: 'cpp', label: 'C++' },
  { value: 'python', label: 'MicroPython' },
] as const;

interface ProgramColumnsProps {
  readonly design: Design;
  readonly ways: ReactNode;
  readonly onGo: (step: Step) => void;
}

/** The controller's program; for a design without one, what it would be with one. */
export function ProgramColumns({ design, ways, onGo }: ProgramColumnsProps) {
  const project = useProject();
  const own = useMemo(() => programRules(project, design), [project, design]);
  const rules = useMemo(() => own ?? rulesWithController(project), [own, project]);
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          <Panel title={buildWords.program}>
            {!own && <p>{rules ? buildWords.withController : buildWords.noProgram}</p>}
            {!own && (
              <Button style={{ justifySelf: 'start' }} onClick={() => onGo('switch')}>
                {buildWords.instead}
              </Button>
            )}
            {rules && (
              <>
                <PinField name="input" label={buildWords.inputPin} />
                <PinField name="output" label={buildWords.outputPin} />
                <p className="soft">{buildWords.programHint}</p>
              </>
            )}
          </Panel>
        </>
      }
      right={
        <>
          {rules && (
            <div className={styles.second}>
              <Listing rules={rules} />
            </div>
          )}
          <Schematic design={design} />
        </>
      }
    />
  );
}

function PinField({ name, label }: { readonly name: 'input' | 'output'; readonly label: string }) {
  const { pins } = useProject().build;
  const apply = useApply();
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? pins[name];
  const isGood = isPinName(text);
  const commit = () => {
    if (typed === null || !isGood) return;
    if (typed !== pins[name]) apply(changeBuild({ pins: { ...pins, [name]: typed } }));
    setTyped(null);
  };
  return (
    <div>
      <div className={styles.row}>
        <label htmlFor={id}>{label}</label>
        <Input
          id={id}
          style={{ width: 130, marginLeft: 'auto' }}
          value={text}
          maxLength={BUILD_LIMITS.pinLength + 8}
          status={isGood ? '' : 'error'}
          aria-invalid={!isGood}
          aria-describedby={isGood ? undefined : `${id}-why`}
          onChange={({ target }) => setTyped(target.value)}
          onBlur={commit}
          onPressEnter={commit}
        />
      </div>
      {!isGood && (
        <p id={`${id}-why`} role="alert" className={styles.trouble}>
          {buildWords.pinTrouble}
        </p>
      )}
    </div>
  );
}

function Listing({ rules }: { readonly rules: ProgramRules }) {
  const [language, setLanguage] = useState<(typeof languages)[number]['value']>('cpp');
  const [copied, setCopied] = useState<string | null>(null);
  const text = language === 'cpp' ? cppProgram(rules) : pythonProgram(rules);
  const file = `${fileNameOf(rules.name)}.${language === 'cpp' ? 'ino' : 'py'}`;
  const copy = async () => {
    await navigator.clipboard.writeText(text);
    setCopied(text);
  };
  return (
    <Panel
      title={file}
      aside={
        <span className={styles.row}>
          <Choice
            size="small"
            aria-label={buildWords.language}
            value={language}
            options={languages}
            onChange={setLanguage}
          />
          <Button size="small" onClick={() => void copy()}>
            {copied === text ? buildWords.copied : buildWords.copyProgram}
          </Button>
          <Button size="small" onClick={() => download(file, text, 'text/plain')}>
            {buildWords.save}
          </Button>
        </span>
      }
    >
      <pre className={styles.code} tabIndex={0} role="group" aria-label={file}>
        {text}
      </pre>
    </Panel>
  );
}
