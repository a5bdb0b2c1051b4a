import { useLayoutEffect, useRef, useState } from "react";
import type { Bench } from "./useBench";

interface Wire {
  d: string;
  key: string;
}

/** What is joined or moved, drawn between the places as they lie on the screen. What is not in sight is not drawn. */
export function Wires({ bench }: { bench: Bench }) {
  const svg = useRef<SVGSVGElement>(null);
  const [wires, setWires] = useState<Wire[]>([]);
  const { rig } = bench.state;
  useLayoutEffect(() => {
    const draw = () => {
      const area = svg.current?.parentElement;
      if (!area) return;
      const box = area.getBoundingClientRect();
      const at = (id: string) => {
        const spot = area.querySelector(`[data-spot="${CSS.escape(id)}"]`)?.getBoundingClientRect();
        return spot && { x: spot.x + spot.width / 2 - box.x, y: spot.y + spot.height / 2 - box.y };
      };
      const pairs: [string, string][] = [
        ...rig.joined.map((j): [string, string] => [j.a, j.b]),
        ...rig.moved.map((m): [string, string] => [m.end, m.to]),
        ...rig.crossed.flatMap((c) => c.joints.map((j): [string, string] => [j.a, j.b])),
      ];
      const next = pairs.flatMap(([a, b]) => {
        const from = at(a);
        const to = at(b);
        if (!from || !to) return [];
        const sag = Math.min(70, 24 + Math.abs(to.x - from.x) / 6);
        return [
          {
            key: `${a} ${b}`,
            d: `M${from.x} ${from.y + 12}C${from.x} ${from.y + sag} ${to.x} ${to.y + sag} ${to.x} ${to.y + 12}`,
          },
        ];
      });
      setWires((was) => (JSON.stringify(was) === JSON.stringify(next) ? was : next));
    };
    draw();
    const watch = new ResizeObserver(draw);
    if (svg.current?.parentElement) watch.observe(svg.current.parentElement);
    return () => watch.disconnect();
  });
  return (
    <svg ref={svg} className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden="true">
      {wires.map((w) => (
        <g key={w.key} fill="none" strokeLinecap="round">
          <path d={w.d} stroke="var(--sheet)" strokeWidth="6" />
          <path d={w.d} stroke="var(--plum)" strokeWidth="2.6" strokeDasharray="7 5" />
        </g>
      ))}
    </svg>
  );
}
