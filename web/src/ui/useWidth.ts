import { useEffect, useRef, useState } from "react";

/** How wide an element is, px; 0 until it is laid out. */
export function useWidth(): [React.RefObject<HTMLDivElement | null>, number] {
  const frame = useRef<HTMLDivElement | null>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const measure = () => setWidth(element.clientWidth);
    measure();
    const watcher = new ResizeObserver(measure);
    watcher.observe(element);
    return () => watcher.disconnect();
  }, []);
  return [frame, width];
}
