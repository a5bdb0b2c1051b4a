import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";

/** Which readings change, test by test, from what to what, and by how many tolerances. */
export function Changes({ preview }: { preview: Schemas["Preview"] }) {
  return (
    <Pane title="What changes" aside={`${preview.changed} of ${preview.readings} readings`}>
      {preview.tests.length === 0 ? (
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
          {preview.tests.map((test) => (
            <tbody key={test.test}>
              <tr>
                <th
                  scope="rowgroup"
                  colSpan={4}
                  className="pt-2 text-left text-[13px] font-semibold text-work"
                >
                  {test.test}
                </th>
              </tr>
              {test.changes.map((c) => (
                <tr key={c.slot} className="border-t border-line">
                  <td className="py-1.5 pr-2">
                    {c.quantity}, {c.where}
                    {c.visibility === "borderline" && (
                      <span className="text-[13px] text-caution"> △ borderline</span>
                    )}
                    {c.byLimit && (
                      <span className="text-[13px] text-caution"> fails the limit of what is fitted</span>
                    )}
                  </td>
                  <td className="py-1.5 text-right whitespace-nowrap">{c.healthy}</td>
                  <td className="py-1.5 pl-3 text-right font-bold whitespace-nowrap">{c.withSet}</td>
                  <td className="py-1.5 pl-3 text-right">
                    {c.byLimit ? "—" : c.timesTolerance === null ? "∞" : c.timesTolerance.toFixed(1)}
                  </td>
                </tr>
              ))}
            </tbody>
          ))}
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
