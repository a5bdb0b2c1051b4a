import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { Loaded } from "../../ui/States";
import { clock } from "../../ui/when";
import { sheetQueries } from "./queries";
import { useUnsent } from "./useSheet";

export function SheetListPage({ me }: { me: string }) {
  const sheets = useQuery(sheetQueries.mine);
  const unsent = useUnsent(
    me,
    (sheets.data ?? []).map((s) => s.id),
  );
  return (
    <Loaded query={sheets}>
      {(mine) => (
        <div className="mx-auto max-w-[760px] text-[18px]">
          <h1 className="mb-3 text-[23px] font-bold">My sheets</h1>
          {unsent > 0 && (
            <p role="status" className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
              {unsent === 1 ? "One thing you wrote is" : `${unsent} things you wrote are`} kept on this device
              and not sent yet. It goes by itself as soon as the server answers.
            </p>
          )}
          {mine.length === 0 ? (
            <p className="text-ink2">
              No sheet yet. Your assessor opens it when the rig is ready; this page shows it by itself.
            </p>
          ) : (
            <ul className="border-t border-line">
              {mine.map((sheet) => (
                <li key={sheet.id} className="border-b border-line bg-sheet">
                  {sheet.state === "not open yet" ? (
                    <span className="flex min-h-14 items-center gap-4 px-4 text-ink2">
                      Bay {sheet.bay}, {sheet.rig} <span className="ml-auto">not open yet</span>
                    </span>
                  ) : (
                    <Link
                      to={`/my/sheets/${sheet.id}`}
                      className="flex min-h-14 items-center gap-4 px-4 hover:bg-work-soft"
                    >
                      <span className="font-semibold">
                        Bay {sheet.bay}, {sheet.rig}
                      </span>
                      <span className="ml-auto">
                        {sheet.feedback ? "marked" : sheet.state}{" "}
                        <span className="text-ink2">{clock(sheet.since)}</span>
                      </span>
                    </Link>
                  )}
                  {sheet.feedback && (
                    <Link
                      to={`/my/sheets/${sheet.id}/feedback`}
                      className="flex min-h-12 items-center border-t border-line px-4 font-semibold text-work hover:bg-work-soft"
                    >
                      Read your feedback
                    </Link>
                  )}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </Loaded>
  );
}
