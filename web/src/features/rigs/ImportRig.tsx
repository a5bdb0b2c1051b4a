import { useId } from "react";
import { useNavigate } from "react-router";

/** Brings a rig file into the workshop page; nothing is kept until it is saved there. */
export function ImportRig() {
  const id = useId();
  const navigate = useNavigate();
  const open = async (file: File | undefined) => {
    if (file) void navigate("/rigs/new", { state: { imported: await file.text(), name: file.name } });
  };
  return (
    <>
      <label
        htmlFor={id}
        className="inline-flex min-h-10 items-center rounded-md border border-work bg-sheet px-3 font-semibold text-work hover:bg-work-soft has-focus-visible:outline-3"
      >
        Import a file
        <input
          id={id}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          onChange={(e) => {
            void open(e.target.files?.[0]);
            e.target.value = "";
          }}
        />
      </label>
    </>
  );
}
