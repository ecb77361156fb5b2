import { Component, type ReactNode } from 'react';
import { messageOf } from './message-of';

/** Keeps what goes wrong in one card or station from taking the rest of the page with it. */
export class Boundary extends Component<
  { what: string; children: ReactNode },
  { trouble: string | null }
> {
  override state: { trouble: string | null } = { trouble: null };

  static getDerivedStateFromError(error: unknown): { trouble: string } {
    return { trouble: messageOf(error) };
  }

  override render() {
    if (this.state.trouble === null) return this.props.children;
    return (
      <div role="alert" className="rounded-md border border-danger bg-danger-pale p-4 text-danger">
        <p>
          <strong>{this.props.what} cannot be shown.</strong> What is kept is not touched.
        </p>
        <p className="text-sm">{this.state.trouble}</p>
        <button type="button" className="btn mt-2" onClick={() => this.setState({ trouble: null })}>
          Try again
        </button>
      </div>
    );
  }
}
