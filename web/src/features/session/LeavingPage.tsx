import { useQuery } from "@tanstack/react-query";
import { unsentHere } from "../../api/outbox";
import { Pane } from "../../ui/Pane";
import { signOut } from "./queries";

/** Between pressing “Sign out” and the server's word that it is done: nothing of the person is shown any more. */
export function LeavingPage({ onGone }: { onGone: () => void }) {
  const gone = useQuery({
    queryKey: ["leaving"],
    queryFn: async () => {
      const done = await signOut();
      if (done) onGone();
      return done;
    },
    refetchInterval: 3000,
    retry: false,
    networkMode: "always",
    gcTime: 0,
  });
  const kept = [...unsentHere().values()].reduce((a, b) => a + b, 0);
  return (
    <main className="mx-auto max-w-[560px] px-5 pt-16">
      <h1 className="mb-6 text-[28px] font-bold">Prantel</h1>
      <Pane title="Signing out" wall={gone.isError || gone.data === false ? "caution" : undefined}>
        <p role="status">
          {gone.isError || gone.data === false
            ? "The server does not answer, so you are not signed out there yet. It is tried again by itself. Leave this page open or close the browser; nothing of you is shown here meanwhile."
            : "A moment…"}
        </p>
        {kept > 0 && (
          <p className="mt-2">
            {kept === 1 ? "One thing" : `${kept} things`} written here and not sent yet{" "}
            {kept === 1 ? "is" : "are"} kept on this device until the writer signs in again.
          </p>
        )}
      </Pane>
    </main>
  );
}
