import { Component, type ReactNode } from "react";
import { useLocation } from "react-router";
import { Button } from "../ui/Button";

/** If a page breaks, says so and offers a way on; another page begins anew. */
export function Boundary({ children }: { children: ReactNode }) {
  return <Broken key={useLocation().pathname}>{children}</Broken>;
}

class Broken extends Component<{ children: ReactNode }, { broken: boolean }> {
  override state = { broken: false };

  static getDerivedStateFromError() {
    return { broken: true };
  }

  override render() {
    if (!this.state.broken) return this.props.children;
    return (
      <div role="alert" className="m-5 max-w-[60ch] space-y-3 border-l-4 border-caution bg-caution-soft p-4">
        <p className="font-bold">This page stopped working.</p>
        <p>
          What you saved is safe. Load the page again; if it stops again, go back to the start and tell the
          technician.
        </p>
        <Button onClick={() => window.location.reload()}>Load again</Button>{" "}
        <Button onClick={() => window.location.assign("/")}>Back to the start</Button>
      </div>
    );
  }
}
