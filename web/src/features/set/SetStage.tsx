import { useQuery } from "@tanstack/react-query";
import { Tabs } from "radix-ui";
import { useState } from "react";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { LinkButton } from "../../ui/LinkButton";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { TrySet } from "../practice";
import { ChooseFaults } from "./ChooseFaults";
import { Prove } from "./Prove";
import { setQueries, type SetView, useSetWrites } from "./queries";

/** Set: choose faults where they sit, see what they do, then set them on the rig and prove them set. */
export function SetStage({ id }: { id: string }) {
  const view = useQuery(setQueries.view(id));
  return <Loaded query={view}>{(v) => <SetWork id={id} view={v} />}</Loaded>;
}

const TAB =
  "min-h-11 border-b-[3px] border-transparent px-1 text-[16px] text-ink2 data-[state=active]:border-work data-[state=active]:font-bold data-[state=active]:text-ink";

function SetWork({ id, view }: { id: string; view: SetView }) {
  const count = view.preview.faults.length;
  const [tab, setTab] = useState(view.sheetOpen || (view.lockedOffAt && count > 0) ? "prove" : "choose");
  return (
    <Tabs.Root value={tab} onValueChange={setTab}>
      <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
        <Tabs.List aria-label="Set" className="flex gap-6">
          <Tabs.Trigger value="choose" className={TAB}>
            Choose faults
          </Tabs.Trigger>
          <Tabs.Trigger value="prove" className={TAB}>
            Set and prove
          </Tabs.Trigger>
        </Tabs.List>
        <Chip tone={count > 0 ? "plum" : "plain"}>
          {count === 0 ? "no fault chosen" : count === 1 ? "1 fault" : `${count} faults`}
        </Chip>
        {view.lockedOffAt && <Chip>dead, locked off {clock(view.lockedOffAt)}</Chip>}
        <span className="ml-auto flex flex-wrap gap-2">
          {count > 0 && <TrySet assessment={id} />}
          <LinkButton to={`/assessments/${id}/card`}>Set card</LinkButton>
        </span>
      </div>
      <LockOff id={id} view={view} />
      <Tabs.Content value="choose" tabIndex={-1}>
        <ChooseFaults id={id} view={view} onChosen={() => setTab("prove")} />
      </Tabs.Content>
      <Tabs.Content value="prove" tabIndex={-1}>
        <Prove id={id} onChange={() => setTab("choose")} />
      </Tabs.Content>
    </Tabs.Root>
  );
}

function LockOff({ id, view }: { id: string; view: SetView }) {
  const { lockOff } = useSetWrites(id);
  if (view.lockedOffAt) return null;
  return (
    <Pane wall="caution" title="Before a hand goes on the rig" className="mb-3">
      <div className="flex flex-wrap items-center gap-4">
        <p className="max-w-[90ch] flex-1">
          Isolate, lock off, tag, keep the key on you. Prove the indicator, test dead L–N, L–E and N–E, prove
          the indicator again. Follow your site’s rules and local code; this page does not make anything dead.
        </p>
        <Button kind="main" disabled={lockOff.isPending} onClick={() => lockOff.mutate()}>
          It is locked off and proved dead
        </Button>
      </div>
      <ProblemNote error={lockOff.error} />
    </Pane>
  );
}
