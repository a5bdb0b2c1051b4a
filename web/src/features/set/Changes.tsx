import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";

/** Which readings change, from what to what, and by how many tolerances. */
export function Changes({ preview }: { preview: Schemas["Preview"] }) {
  return (
    <Pane title="What changes" aside={`${preview.changes.length} of ${preview.readings} readings`}>
      {preview.changes.length === 0 ? (
        <p className="text-ink2">Nothing yet that a reading could tell.</p>
      ) : (
        <table className="w-full">
          <thead>
            <tr className="text-left text-[13px] text-ink2">
              <th scope="col" className="font-normal">
                Reading
              </th>
              <th scope="col" className="text-right font-normal">
                healthy
              </th>
              <th scope="col" className="text-right font-normal">
                with set
              </th>
              <th scope="col" className="text-right font-normal">
                × tolerance
              </th>
            </tr>
          </thead>
          <tbody>
            {preview.changes.map((c) => (
              <tr key={c.slot} className="border-t border-line">
                <td className="py-1.5 pr-2">
                  {c.quantity}, {c.where}
                  {c.visibility === "borderline" && (
                    <span className="text-[13px] text-caution"> borderline</span>
                  )}
                </td>
                <td className="py-1.5 text-right whitespace-nowrap">{c.healthy}</td>
                <td className="py-1.5 pl-3 text-right font-bold whitespace-nowrap">{c.withSet}</td>
                <td className="py-1.5 pl-3 text-right">
                  {c.timesTolerance === null ? "∞" : c.timesTolerance.toFixed(1)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {preview.hidden > 0 && (
        <p className="border-t border-line pt-2 text-ink2">
          {preview.hidden} more change by less than half the tolerance: hidden
        </p>
      )}
    </Pane>
  );
}
