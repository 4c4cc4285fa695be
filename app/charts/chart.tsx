import { BarChart, LineChart } from "echarts/charts";
import { AriaComponent, GridComponent, LegendComponent, MarkAreaComponent, TooltipComponent } from "echarts/components";
import * as echarts from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useEffect, useRef } from "react";

// Only what is drawn here is loaded, and only by the views that draw it.
echarts.use([
  AriaComponent,
  BarChart,
  GridComponent,
  LegendComponent,
  LineChart,
  MarkAreaComponent,
  SVGRenderer,
  TooltipComponent,
]);

/** A colour of the page's own, by its name in the stylesheet. */
export function tokenOf(name: string): string {
  if (typeof window === "undefined") return "#777";
  // its value has one for daylight and one for a dim shop: only on an element is it one colour
  const probe = document.createElement("i");
  probe.style.color = `var(--color-${name})`;
  document.body.append(probe);
  const { color } = getComputedStyle(probe);
  probe.remove();
  return color || "#777";
}

interface Props {
  option: echarts.EChartsCoreOption;
  height: number;
  /** what it shows, in words: for whoever cannot see it */
  says: string;
}

/** A chart in the look of the page, drawn again when what it shows or the room for it changes. */
export function Chart({ option, height, says }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!frame.current) return;
    const chart = echarts.init(frame.current, null, { renderer: "svg", height });
    chart.setOption({
      textStyle: { fontFamily: "Commissioner Variable, sans-serif", color: tokenOf("ink") },
      animation: !window.matchMedia("(prefers-reduced-motion: reduce)").matches,
      animationDuration: 250,
      ...option,
    });
    const fit = new ResizeObserver(() => chart.resize({ height }));
    fit.observe(frame.current);
    return () => {
      fit.disconnect();
      chart.dispose();
    };
  }, [option, height]);
  return (
    <figure aria-label={says} className="m-0">
      <div ref={frame} style={{ height }} aria-hidden="true" />
    </figure>
  );
}
