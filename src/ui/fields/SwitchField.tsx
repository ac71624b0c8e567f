import { Switch } from 'antd';
import type { ReactNode } from 'react';
import styles from './SwitchField.module.css';

interface SwitchFieldProps {
  readonly label: string;
  readonly isOn: boolean;
  readonly onChange: (isOn: boolean) => void;
  readonly isDisabled?: boolean;
  /** Behind the label, such as what it waits for. */
  readonly children?: ReactNode;
}

/** A switch with its words behind it. */
export function SwitchField({ label, isOn, onChange, isDisabled = false, children }: SwitchFieldProps) {
  return (
    <label className={styles.row}>
      <Switch size="small" checked={isOn} disabled={isDisabled} onChange={onChange} aria-label={label} />
      {label}
      {children}
    </label>
  );
}
