import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/States";

/** For an assessor: the rig with the set that is chosen, as the candidate will meet it. */
export function TrySet({ assessment }: { assessment: string }) {
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: () =>
      data(
        api.POST("/api/assessments/{assessment}/practice", {
          params: { path: { assessment } },
          body: { id: crypto.randomUUID(), way: "COACHED" },
        }),
      ),
    onSuccess: ({ id }) => void navigate(`/practice/${id}`),
  });
  return (
    <>
      <Button disabled={begin.isPending} onClick={() => begin.mutate()}>
        Try this set in Practice
      </Button>
      <ProblemNote error={begin.error} />
    </>
  );
}

/** For an assessor: from a figure in a record back to what must have been done to read it. */
export function GoThroughIt({ assessment, box, label }: { assessment: string; box: string; label: string }) {
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: () =>
      data(
        api.POST("/api/assessments/{assessment}/practice/replay", {
          params: { path: { assessment } },
          body: { id: crypto.randomUUID(), box },
        }),
      ),
    onSuccess: ({ id }) => void navigate(`/practice/${id}`),
  });
  return (
    <>
      <button
        type="button"
        className="min-h-8 text-[13px] text-work underline"
        disabled={begin.isPending}
        onClick={() => begin.mutate()}
        aria-label={`Go through it on the practice rig: ${label}`}
      >
        Go through it on the practice rig
      </button>
      <ProblemNote error={begin.error} />
    </>
  );
}
