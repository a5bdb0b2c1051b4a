import type { Schemas } from "../../api/client";
import { BondPicture, ProfilePicture } from "../../pictures";
import { Pane } from "../../ui/Pane";
import type { SetView } from "./queries";

interface Props {
  view: SetView;
  preview: Schemas["Preview"];
  /** id of the place being looked at */
  place: string | undefined;
  onPlace: ((place: string) => void) | undefined;
}

/** The rig as the place to put faults: circuits with their profiles, bonds below. */
export function RigPictures({ view, preview, place, onPlace }: Props) {
  const anySet = preview.faults.length > 0;
  return (
    <>
      {view.circuits.map((circuit) => {
        const curve = preview.profiles.find((p) => p.circuit === circuit.id);
        return (
          <Pane
            key={circuit.id}
            title={`${circuit.label} · R1+R2 along the circuit`}
            aside={<span className="font-normal">way {circuit.device}</span>}
          >
            <Legend faulted={anySet} />
            {curve && (
              <ProfilePicture
                curve={curve}
                circuit={circuit}
                showFaulted={anySet}
                faultsAt={new Set(curve.faultStations)}
                chosen={place?.startsWith(`${circuit.id}/`) ? place.slice(circuit.id.length + 1) : undefined}
                onChoose={onPlace && ((station) => onPlace(`${circuit.id}/${station}`))}
              />
            )}
          </Pane>
        );
      })}
      {view.bonds.length > 0 && (
        <Pane title="Main bonds">
          <BondPicture
            bonds={view.bonds}
            faultsAt={new Set(preview.faults.map((f) => f.fault.bond ?? ""))}
            chosen={place?.startsWith("bond/") ? place.slice(5) : undefined}
            onChoose={(bond) => onPlace?.(`bond/${bond}`)}
          />
        </Pane>
      )}
    </>
  );
}

function Legend({ faulted }: { faulted: boolean }) {
  return (
    <p className="flex flex-wrap gap-x-5 text-[13px]">
      <span className="text-work">– – healthy</span>
      {faulted && <span className="text-plum">— with this set</span>}
      <span className="text-ink2">
        <span aria-hidden="true" className="mr-1 inline-block h-3 w-6 bg-band align-middle" />
        expected{faulted ? " with this set" : ""}
      </span>
    </p>
  );
}
