import { type ReactNode, useEffect, useRef, useState } from "react";
import { Link, NavLink } from "react-router";
import type { Schemas } from "../api/client";
import { useChanges } from "../api/changes";
import { leave, placesOf, roleWords } from "../features/session";
import { Button } from "../ui/Button";
import { classes } from "../ui/classes";
import { Dialog } from "../ui/Dialog";
import { KeyCap } from "../ui/KeyCap";
import { useShortcuts } from "../ui/useShortcuts";
import { useTheme } from "./theme";
import { usePageTitle } from "./usePageTitle";

interface Props {
  person: Schemas["Person"];
  demo: boolean;
  children: ReactNode;
}

const KEYS: [string, string][] = [
  ["?", "this list"],
  ["Enter", "next box, on a sheet and among check readings"],
  ["N", "Mark: the next reading or mark that needs a look"],
  ["A", "Mark: accept the proposed mark that is open"],
  ["U", "Set, rig workshop: take the last change back"],
  ["R", "Rig workshop: do it again"],
  ["T, W, D, U", "Practice: test, write what is shown, do the next deed for me, take back"],
  ["1 2 3", "Practice: put that lead on the chosen place"],
  ["← →", "Rig workshop: move the chosen station, with Shift by 5 m"],
  [">999 MΩ", "a key under a sheet: writes over-range, as your tester shows it, and goes on"],
  ["Tab, arrows", "move between stations, choices and boxes; Space or Enter picks"],
];

export function Shell({ person, demo, children }: Props) {
  const [help, setHelp] = useState(false);
  const [theme, changeTheme] = useTheme();
  useShortcuts({ "?": () => setHelp(true) });
  const may = placesOf(person);
  useChanges(may.assess);
  const page = useRef<HTMLElement>(null);
  const heading = usePageTitle(page);

  return (
    <div className="min-h-screen">
      <a
        href="#page"
        className="sr-only z-50 bg-sheet px-4 py-2 font-semibold text-work underline focus:not-sr-only focus:fixed focus:top-1 focus:left-1"
      >
        Skip to the page
      </a>
      <p aria-live="polite" className="sr-only">
        {heading}
      </p>
      <header className="no-print border-b border-line bg-sheet">
        <div className="flex min-h-[52px] flex-wrap items-center gap-x-4 gap-y-0 px-3 sm:gap-x-6 sm:px-5">
          <span className="flex items-center gap-2 text-[19px] font-bold">
            <svg width="30" height="16" viewBox="0 0 30 16" aria-hidden="true">
              <path d="M2 8h26" stroke="var(--ink)" strokeWidth="2.4" />
              <circle cx="6" cy="8" r="4" fill="var(--work)" />
              <circle cx="15" cy="8" r="3.4" fill="var(--sheet)" stroke="var(--work)" strokeWidth="2.2" />
              <path d="M20 12l4.5-9 4.5 9z" fill="var(--plum)" />
            </svg>
            Prantel
          </span>
          <nav aria-label="Places" className="flex flex-wrap gap-x-5">
            {may.candidate && <Place to="/my/sheets">{may.oneSheet ? "My sheet" : "My sheets"}</Place>}
            {may.assess && <Place to="/floor">Floor</Place>}
            {may.assess && <Place to="/records">Records</Place>}
            {may.rigs && <Place to="/rigs">Rigs</Place>}
            {may.rigs && <Place to="/schemes">Schemes</Place>}
            {may.workshop && <Place to="/workshop">Workshop</Place>}
            {!may.oneSheet && <Place to="/practice">Practice</Place>}
            <Place to="/reference">Reference</Place>
          </nav>
          <div className="ml-auto flex items-center gap-3">
            {demo && <span className="hidden text-[13px] text-ink2 lg:inline">demo, invented data</span>}
            {may.oneSheet ? (
              <span>{person.name}</span>
            ) : (
              <Link to="/account" className="hover:underline" title="My account">
                {person.name} <span className="hidden text-ink2 xl:inline">{roleWords(person.roles)}</span>
              </Link>
            )}
            <Button
              kind="quiet"
              onClick={changeTheme}
              aria-label={theme === "light" ? "Dim theme" : "Light theme"}
            >
              {theme === "light" ? "Dim" : "Light"}
            </Button>
            <Button kind="quiet" onClick={leave}>
              Sign out
            </Button>
            <Button
              kind="quiet"
              className="!hidden sm:!inline-flex"
              onClick={() => setHelp(true)}
              aria-label="Help"
            >
              <KeyCap>?</KeyCap>
            </Button>
          </div>
        </div>
      </header>
      <Connection />
      <main id="page" ref={page} tabIndex={-1} className="px-3 py-3 outline-none sm:px-5 sm:py-4">
        {children}
      </main>
      <Dialog
        open={help}
        onClose={() => setHelp(false)}
        title="Help"
        about="Keys. They work while you are not typing in a box."
      >
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
          {KEYS.map(([key, what]) => (
            <div key={key} className="contents">
              <dt>
                <KeyCap>{key}</KeyCap>
              </dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <div className="mt-4 flex flex-wrap items-center justify-between gap-3">
          <Link to="/glossary" className="text-work underline" onClick={() => setHelp(false)}>
            Glossary: what the words mean
          </Link>
          <Button onClick={() => setHelp(false)}>Close</Button>
        </div>
      </Dialog>
    </div>
  );
}

function Place({ to, children }: { to: string; children: ReactNode }) {
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        classes(
          "border-b-[3px] py-3.5",
          isActive ? "border-work font-bold" : "border-transparent text-ink2 hover:text-ink",
        )
      }
    >
      {children}
    </NavLink>
  );
}

/** Says it when the network is gone; what is written meanwhile waits and is sent later. */
function Connection() {
  const [online, setOnline] = useState(navigator.onLine);
  useEffect(() => {
    const now = () => setOnline(navigator.onLine);
    window.addEventListener("online", now);
    window.addEventListener("offline", now);
    return () => {
      window.removeEventListener("online", now);
      window.removeEventListener("offline", now);
    };
  }, []);
  if (online) return null;
  return (
    <p role="status" className="border-b border-caution bg-caution-soft px-5 py-2 font-semibold text-caution">
      No network. What you write on a sheet is kept here and sent when it is back.
    </p>
  );
}
