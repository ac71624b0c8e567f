'use client';

import { Popover, type PopoverProps } from 'antd';
import { useRef, useState, type KeyboardEvent, type ReactElement, type ReactNode } from 'react';

interface PoppedProps {
  readonly title: string;
  readonly content: ReactNode;
  readonly placement?: PopoverProps['placement'];
  /** What it is opened by. */
  readonly children: ReactElement;
}

/** What can be worked in. */
const FIELDS = 'input, button, [tabindex="0"]';

/**
 * Something that opens beside what is pressed. By keys it is a dialog: the focus goes in, Escape shuts it and gives the focus
 * back, and going on past it shuts it too.
 */
export function Popped({ title, content, placement, children }: PoppedProps) {
  const [isOpen, setOpen] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const opener = useRef<HTMLElement | null>(null);
  const turn = (next: boolean) => {
    const present = document.activeElement;
    if (next && present instanceof HTMLElement) opener.current = present;
    setOpen(next);
  };
  const goIn = (isThere: boolean) => {
    // By a pointer nothing is focused: no keyboard comes up on a phone.
    if (!isThere || !opener.current?.matches(':focus-visible')) return;
    (box.current?.querySelector<HTMLElement>(FIELDS) ?? box.current)?.focus();
  };
  const shut = ({ key }: KeyboardEvent) => {
    if (key !== 'Escape') return;
    setOpen(false);
    opener.current?.focus();
  };
  const leave = (next: EventTarget | null) => {
    const isWithin =
      !(next instanceof Element) ||
      box.current?.contains(next) ||
      next.closest('.ant-select-dropdown, .ant-popover');
    if (!isWithin) setOpen(false);
  };
  const dialog = (
    <div
      ref={box}
      role="dialog"
      aria-label={title}
      tabIndex={-1}
      onKeyDown={shut}
      onBlur={({ relatedTarget }) => leave(relatedTarget)}
    >
      {content}
    </div>
  );
  return (
    <Popover
      trigger="click"
      title={title}
      content={dialog}
      open={isOpen}
      onOpenChange={turn}
      afterOpenChange={goIn}
      destroyOnHidden
      {...(placement ? { placement } : {})}
    >
      {children}
    </Popover>
  );
}
