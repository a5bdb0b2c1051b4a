import { LinkButton } from "../../ui/LinkButton";
import type { AsBuiltView } from "./queries";

/** Joints that fit what was measured best, to be taken over into the description. */
export function AsBuiltFit({ view, rigId }: { view: AsBuiltView; rigId: string }) {
  const { fit } = view;
  if (!fit) return <p className="text-ink2">To fit joints: {view.whyNoFit}.</p>;
  return (
    <p className="flex flex-wrap items-center gap-3">
      <span>
        {fit.readings} readings are met best with <b>{fit.terminationMilliohms.toFixed(2)} mΩ</b> a
        termination and <b>{fit.contactMilliohms.toFixed(1)} mΩ</b> a socket contact: typical difference{" "}
        {(fit.rmsBeforeOhms * 1000).toFixed(0)} → {(fit.rmsAfterOhms * 1000).toFixed(0)} mΩ.
      </span>
      <LinkButton
        to={`/rigs/${rigId}/change`}
        state={{
          workmanship: {
            terminationMilliohms: fit.terminationMilliohms,
            contactMilliohms: fit.contactMilliohms,
          },
        }}
      >
        Take over in a new version
      </LinkButton>
    </p>
  );
}
