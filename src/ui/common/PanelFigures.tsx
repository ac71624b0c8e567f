'use client';

import { useContext } from 'react';
import { inNotation } from '@/core/quantity/notation';
import { useAnalysis, useLightText, useProject, WorkbenchContext } from '../workbench/context';
import { hasFigures, panelFigures } from '../words/help/panelFigures';
import { helpWords } from '../words/panels/help';
import styles from './Termed.module.css';

/** How a panel's figures were found, with this project's numbers; nothing outside a project. */
export function PanelFigures({ title }: { readonly title: string }) {
  const isInProject = useContext(WorkbenchContext) !== null;
  return isInProject && hasFigures(title) ? <Lines title={title} /> : null;
}

function Lines({ title }: { readonly title: string }) {
  const project = useProject();
  const analysis = useAnalysis();
  const light = useLightText();
  if (!analysis.ok) return null;
  const lines = panelFigures(title, { project, design: analysis.design, light });
  return (
    <>
      <h4 className={styles.how}>{helpWords.howFound}</h4>
      {lines.map((line) => (
        <p key={line} className={styles.means}>
          {inNotation(line)}
        </p>
      ))}
    </>
  );
}
