import { Button } from '@mui/material';
import { Component, type ReactNode } from 'react';
import { PageMessage } from '../ui/PageMessage';

/** Stands in for a view that could not be drawn: the rest of the page, and what was typed, stay. Give it a key by the address, so that another view begins anew. */
export class ViewBoundary extends Component<{ children: ReactNode }, { fault: string | null }> {
  override state: { fault: string | null } = { fault: null };

  static getDerivedStateFromError(error: unknown) {
    return { fault: error instanceof Error ? error.message : String(error) };
  }

  override render() {
    return this.state.fault === null ? (
      this.props.children
    ) : (
      <PageMessage
        title="This view could not be drawn"
        text={`What you did is kept in this browser. The fault is ours; whoever looks after it will want these words: ${this.state.fault}`}
      >
        <Button variant="contained" onClick={() => this.setState({ fault: null })}>
          Try again
        </Button>
        <Button onClick={() => location.reload()}>Load the page again</Button>
      </PageMessage>
    );
  }
}
