'use client';

import { Alert, Button } from 'antd';
import { Component, type ReactNode } from 'react';
import { sharedWords } from '@/ui/words/panels/shared';

interface PanelBoundaryProps {
  readonly name: string;
  readonly children: ReactNode;
}

/** Keeps a fault in one panel from taking the others with it. */
export class PanelBoundary extends Component<PanelBoundaryProps, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <Alert
        type="error"
        title={`${this.props.name} ran into a fault; the rest still works and nothing is lost.`}
        action={
          <Button size="small" onClick={() => this.setState({ failed: false })}>
            {sharedWords.showItAgain}
          </Button>
        }
      />
    );
  }
}
