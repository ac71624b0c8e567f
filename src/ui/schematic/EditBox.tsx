'use client';

import { Select } from 'antd';
import { useEffect, useRef } from 'react';
import { QuantityField } from '../fields/QuantityField';
import { useApply } from '../workbench/context';
import type { Editable } from './editable';
import styles from './Schematic.module.css';

interface EditBoxProps {
  readonly editable: Editable;
  /** Where the value stands, in % of the drawing. */
  readonly left: number;
  readonly top: number;
  readonly onClose: () => void;
}

/** The field for a value, over the place where it stands. Enter takes it, Escape or a click elsewhere leaves it. */
export function EditBox({ editable, left, top, onClose }: EditBoxProps) {
  const apply = useApply();
  const box = useRef<HTMLDivElement>(null);
  const opener = useRef<Element | null>(null);
  useEffect(() => {
    opener.current = document.activeElement;
    const input = box.current?.querySelector('input');
    input?.focus();
    input?.select();
    const elsewhere = (event: PointerEvent) => {
      if (!(event.target instanceof Node && box.current?.contains(event.target))) onClose();
    };
    document.addEventListener('pointerdown', elsewhere);
    return () => document.removeEventListener('pointerdown', elsewhere);
  }, [onClose]);
  const close = () => {
    onClose();
    if (opener.current instanceof SVGElement) opener.current.focus();
  };
  return (
    <div
      ref={box}
      className={styles.edit}
      style={{ left: `${Math.min(left, 58)}%`, top: `${Math.max(0, top - 3)}%` }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') close();
      }}
    >
      {editable.kind === 'value' ? (
        <QuantityField
          label={editable.label}
          unit={editable.unit}
          value={editable.value}
          limits={editable.limits}
          onCommit={(value) => {
            apply(editable.edit(value));
            close();
          }}
        />
      ) : (
        <Select
          aria-label={editable.label}
          value={editable.value}
          options={[...editable.options]}
          popupMatchSelectWidth={false}
          getPopupContainer={(inside: HTMLElement) => inside.parentElement ?? inside}
          onChange={(value) => {
            apply(editable.edit(value));
            close();
          }}
        />
      )}
    </div>
  );
}
