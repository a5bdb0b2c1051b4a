import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../../api/client";
import { Button } from "../../../ui/Button";
import { Pane } from "../../../ui/Pane";
import { rigQueries } from "../queries";
import { NumberBox, Pick, SignButton } from "./fields";
import { type RelayJson, type RigJson, withItem, without } from "./rigJson";

interface Props {
  rig: RigJson;
  onChange: (rig: RigJson, key?: string) => void;
}

type Place = Schemas["RelayPlace"];
type Kind = Schemas["KindChoice"];

/** What each relay of the rig's fault box sets; what fits where is the server's to say. */
export function FaultBoxFields({ rig, onChange }: Props) {
  const relays = rig.faultBox ?? [];
  const choices = useQuery(rigQueries.relayChoices(JSON.stringify({ ...rig, faultBox: [] })));
  const places = choices.data?.places ?? [];
  const kinds = new Map((choices.data?.kinds ?? []).map((k) => [k.id, k]));
  const put = (faultBox: RelayJson[], key?: string) => onChange({ ...rig, faultBox }, key);
  const add = () => {
    const place = places[0];
    if (place) put([...relays, { ...usual(freeRelay(relays), place, kinds) }]);
  };

  return (
    <Pane title="Fault box" aside="a relay for each fault that is set from the tablet">
      {relays.length === 0 && <p className="text-ink2">Nothing is wired: faults are set by hand.</p>}
      {relays.length > 0 && (
        <div className="overflow-x-auto">
          <table className="text-left">
            <thead className="text-ink2">
              <tr>
                {["Relay", "Where", "Fault", "Which, or with", "Size", ""].map((h) => (
                  <th key={h} className="pr-1.5 pb-1 font-normal">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {relays.map((relay, i) => (
                <RelayRow
                  key={i}
                  relay={relay}
                  places={places}
                  kinds={kinds}
                  onChange={(next, key) => put(withItem(relays, i, next), key && `relay${i}/${key}`)}
                  onRemove={() => put(without(relays, i))}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {choices.isError ? (
        <p className="mt-2 text-ink2">
          What fits a relay can be told again once the rest of the rig is mended.
        </p>
      ) : (
        <Button className="mt-2" onClick={add} disabled={places.length === 0}>
          Wire a relay
        </Button>
      )}
    </Pane>
  );
}

interface RowProps {
  relay: RelayJson;
  places: Place[];
  kinds: Map<string, Kind>;
  onChange: (relay: RelayJson, key?: string) => void;
  onRemove: () => void;
}

function RelayRow({ relay, places, kinds, onChange, onRemove }: RowProps) {
  const place = places.find((p) => p.id === relay.at);
  const kind = kinds.get(relay.kind);
  const name = `relay ${relay.relay}`;
  const fitting = Object.keys(place?.kinds ?? {})
    .map((id) => [id, kinds.get(id)?.title ?? id] as const)
    .sort((a, b) => a[1].localeCompare(b[1]));
  return (
    <tr>
      <td className="pr-1.5 pb-1.5">
        <NumberBox
          bare
          label={`Number of ${name}`}
          value={relay.relay}
          onChange={(v) => onChange({ ...relay, relay: v }, "number")}
        />
      </td>
      <td className="pr-1.5 pb-1.5">
        <Pick
          bare
          roomy
          label={`Where, ${name}`}
          value={relay.at}
          options={places.map((p) => [p.id, p.label] as const)}
          onChange={(at) => {
            const next = places.find((p) => p.id === at);
            if (next) onChange(usual(relay.relay, next, kinds, relay.kind));
          }}
        />
      </td>
      <td className="pr-1.5 pb-1.5">
        <Pick
          bare
          roomy
          label={`Fault, ${name}`}
          value={relay.kind}
          options={fitting}
          onChange={(k) => place && onChange(usual(relay.relay, place, kinds, k))}
        />
      </td>
      <td className="pr-1.5 pb-1.5">
        {kind && kind.conductors.length > 1 && (
          <Pick
            bare
            label={`Conductors, ${name}`}
            value={(relay.conductors ?? []).join("+")}
            options={kind.conductors.map((c) => [c.ids.join("+"), c.label] as const)}
            onChange={(c) => onChange({ ...relay, conductors: c.split("+") })}
          />
        )}
        {kind?.joinsTwo && (
          <Pick
            bare
            label={`With, ${name}`}
            value={relay.to ?? ""}
            options={(place?.kinds[kind.id] ?? []).map((s) => [s.id, s.label] as const)}
            onChange={(to) => onChange({ ...relay, to })}
          />
        )}
      </td>
      <td className="pr-1.5 pb-1.5">
        {kind?.size && (
          <span className="flex items-center gap-1.5">
            <NumberBox
              bare
              label={`Size, ${name}, ${kind.size.unit}`}
              value={relay.size}
              onChange={(size) => onChange({ ...relay, size }, "size")}
            />
            <span className="text-ink2">{kind.size.unit}</span>
          </span>
        )}
      </td>
      <td className="pb-1.5">
        <SignButton label={`Take ${name} out`} sign="×" onPress={onRemove} />
      </td>
    </tr>
  );
}

/** A relay with the usual size and the first of all choices. @param wanted kind, if it fits the place */
function usual(
  relay: RelayJson["relay"],
  place: Place,
  kinds: Map<string, Kind>,
  wanted?: string,
): RelayJson {
  const id = wanted !== undefined && wanted in place.kinds ? wanted : (Object.keys(place.kinds)[0] ?? "");
  const kind = kinds.get(id);
  const conductors = kind?.conductors[0]?.ids ?? [];
  const second = place.kinds[id]?.[0];
  return {
    relay,
    kind: id,
    at: place.id,
    ...(conductors.length > 0 && { conductors }),
    ...(kind?.size && { size: kind.size.usual }),
    ...(kind?.joinsTwo && second && { to: second.id }),
  };
}

function freeRelay(relays: RelayJson[]): number {
  const taken = new Set(relays.map((r) => Number(r.relay)));
  let free = 1;
  while (taken.has(free)) free++;
  return free;
}
