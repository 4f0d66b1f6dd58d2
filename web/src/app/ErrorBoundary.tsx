import { Component, type ReactNode } from "react";
import { Link } from "react-router";
import { Button } from "../ui/Button.tsx";

/** Something in a screen failed. What was entered is on the device already. */
export function CrashScreen({ error }: { readonly error: unknown }) {
  return (
    <div role="alert" className="mx-auto max-w-prose p-8">
      <h1 className="font-bold text-2xl">This screen stopped working.</h1>
      <p className="mt-2">Nothing is lost: your entries are saved on this device. Reload to continue.</p>
      <pre className="my-4 overflow-x-auto border-rule border-y py-2 text-sm text-soft">{String(error)}</pre>
      <Button weight="main" onClick={() => location.reload()}>
        Reload
      </Button>
    </div>
  );
}

interface State {
  readonly error?: unknown;
}

/** Catches what a screen throws, so that the rest of the app stays. */
export class ErrorBoundary extends Component<{ readonly children: ReactNode }, State> {
  override state: State = {};

  static getDerivedStateFromError(error: unknown): State {
    return { error };
  }

  override render() {
    return this.state.error === undefined ? this.props.children : <CrashScreen error={this.state.error} />;
  }
}

export function NoSuchPage() {
  return (
    <div className="p-6">
      <h1 className="font-bold text-2xl">This page doesn’t exist.</h1>
      <Link to="/" className="mt-3 inline-block font-semibold text-accent underline">
        Go to Today
      </Link>
    </div>
  );
}
