import { type RefObject, useEffect, useState } from "react";
import { useLocation } from "react-router";

/**
 * The tab's title is the heading of the page, which is also announced; after a change of page what has the focus is the page,
 * where nothing else has it.
 */
export function usePageTitle(page: RefObject<HTMLElement | null>): string {
  const [heading, setHeading] = useState("");
  const path = useLocation().pathname;
  useEffect(() => {
    const main = page.current;
    if (!main) return;
    const read = () => setHeading(main.querySelector("h1")?.textContent?.trim() ?? "");
    read();
    // a page is fetched before it has a heading
    const watch = new MutationObserver(read);
    watch.observe(main, { childList: true, subtree: true, characterData: true });
    return () => watch.disconnect();
  }, [page]);
  useEffect(() => {
    document.title = heading ? `${heading} · Prantel` : "Prantel";
  }, [heading]);
  useEffect(() => {
    if (document.activeElement === document.body) page.current?.focus({ preventScroll: true });
  }, [page, path]);
  return heading;
}
