'use client';
/** Catches what fails while drawing one part of a screen, so that the rest of it stays and nothing is lost. */
import Button from '@mui/material/Button';
import { Component, type ReactNode } from 'react';
import { saveReportFile } from '@/desk/files';
import { noteWrong } from '@/desk/report';
import { Panel } from '@/ui/parts/Panel';

interface Props {
  readonly what: string;
  /** When this changes the part is tried again. */
  readonly resetKey?: unknown;
  /** Told when the part could not be drawn. */
  readonly onFail?: () => void;
  readonly children: ReactNode;
}

export class StageBoundary extends Component<Props, { error: Error | null; key: unknown }> {
  override state = { error: null as Error | null, key: this.props.resetKey };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  static getDerivedStateFromProps(props: Props, state: { error: Error | null; key: unknown }) {
    return props.resetKey === state.key ? null : { error: null, key: props.resetKey };
  }

  override componentDidCatch(error: Error) {
    noteWrong(this.props.what, error);
    this.props.onFail?.();
  }

  override render() {
    if (!this.state.error) return this.props.children;
    return (
      <Panel role="alert" sx={{ p: 3, m: 2, fontSize: 13 }}>
        {this.props.what} cannot be shown ({this.state.error.message}). Your piece and its figures are safe.{' '}
        <Button onClick={() => this.setState({ error: null })}>Show it again</Button>{' '}
        <Button onClick={saveReportFile}>Save a report to a file</Button>
      </Panel>
    );
  }
}
