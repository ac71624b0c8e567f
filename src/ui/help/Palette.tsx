'use client';

import { App, Input, Modal, type InputRef } from 'antd';
import { useMemo, useRef, useState } from 'react';
import type { Step } from '@/core/advise/advice';
import { steps } from '../chain/SignalChain';
import { helpWords } from '../words/panels/help';
import { stepNames } from '../words/names';
import { paletteFields, type PaletteField } from '../words/help/paletteFields';
import styles from './Palette.module.css';
import { inAMoment, onPage, takeUp, whenThere, type PageItem } from './pageItems';

/** Something that can be done from anywhere. */
export interface PaletteAction {
  readonly name: string;
  readonly keys?: string;
  readonly run: () => void;
}

interface PaletteProps {
  readonly actions: readonly PaletteAction[];
  readonly onStep: (step: Step) => void;
  readonly onClose: () => void;
}

interface Item extends PaletteAction {
  readonly where: string;
}

/** So many are shown. */
const MOST = 12;

/** Finds every action and every field by its name, and goes there. */
export function Palette({ actions, onStep, onClose }: PaletteProps) {
  const field = useRef<InputRef>(null);
  const [words, setWords] = useState('');
  const [at, setAt] = useState(0);
  // What is on the page now: the palette itself lies over it and is none of it.
  const [here] = useState<readonly PageItem[]>(onPage);
  const { message } = App.useApp();
  const items = useMemo(() => {
    const onMissing = (name: string) => void message.info(`${helpWords.notHere} “${name}”.`, 4);
    return itemsOf(actions, here, onStep, onMissing);
  }, [actions, here, onStep, message]);
  const found = useMemo(() => matching(items, words).slice(0, MOST), [items, words]);
  const take = (item: Item | undefined) => {
    if (!item) return;
    onClose();
    // Once the dialog is gone and has given the focus back.
    inAMoment(item.run);
  };
  return (
    <Modal
      open
      title={helpWords.palette}
      footer={null}
      onCancel={onClose}
      width={520}
      afterOpenChange={(isOpen) => isOpen && field.current?.focus()}
    >
      <Input
        ref={field}
        role="combobox"
        aria-expanded
        aria-controls="palette-list"
        aria-activedescendant={found[at] ? `palette-${at}` : undefined}
        aria-label={helpWords.palette}
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt((before) => Math.min(found.length - 1, before + 1));
          else if (event.key === 'ArrowUp') setAt((before) => Math.max(0, before - 1));
          else if (event.key === 'Enter') take(found[at]);
          else return;
          event.preventDefault();
        }}
      />
      <ul id="palette-list" role="listbox" aria-label={helpWords.palette} className={styles.list}>
        {found.map((item, index) => (
          <li
            key={`${item.name} ${item.where}`}
            id={`palette-${index}`}
            role="option"
            aria-selected={index === at}
            className={index === at ? styles.current : styles.item}
            onClick={() => take(item)}
          >
            <span>{item.name}</span>
            <span className="soft">{item.keys ?? item.where}</span>
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="soft">{helpWords.nothingFound}</p>}
    </Modal>
  );
}

/** To a step, a way within it, and a field or an action there. */
function goTo(
  { name, step, way }: PaletteField,
  onStep: (step: Step) => void,
  onMissing: (name: string) => void,
): void {
  onStep(step);
  const take = () => whenThere(name, takeUp, () => onMissing(name));
  if (way === null) take();
  else
    whenThere(
      way,
      ({ element }) => {
        element.click();
        take();
      },
      () => onMissing(name),
    );
}

function itemsOf(
  actions: readonly PaletteAction[],
  here: readonly PageItem[],
  onStep: (step: Step) => void,
  onMissing: (name: string) => void,
): readonly Item[] {
  const known = new Set(here.map(({ name }) => name));
  return [
    ...steps.map((step, index): Item => ({
      name: `${helpWords.goTo} ${index + 1}: ${stepNames[step]}`,
      keys: String(index + 1),
      where: '',
      run: () => onStep(step),
    })),
    ...actions.map((action): Item => ({ ...action, where: '' })),
    ...here.map((item): Item => ({ name: item.name, where: helpWords.here, run: () => takeUp(item) })),
    ...paletteFields.flatMap((field): Item[] =>
      known.has(field.name)
        ? []
        : [
            {
              name: field.name,
              where: field.way === null ? stepNames[field.step] : `${stepNames[field.step]} · ${field.way}`,
              run: () => goTo(field, onStep, onMissing),
            },
          ],
    ),
  ];
}

/** Those with every word in their name, those that begin with it first. */
function matching(items: readonly Item[], words: string): readonly Item[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const holds = ({ name, where }: Item) => {
    const text = `${name} ${where}`.toLowerCase();
    return wanted.every((word) => text.includes(word));
  };
  const first = wanted[0] ?? '';
  // Steps and actions of the whole first, then what begins with the word.
  const rank = ({ name, where }: Item) => (where === '' ? 0 : name.toLowerCase().startsWith(first) ? 1 : 2);
  return items.filter(holds).sort((one, other) => rank(one) - rank(other));
}
