import { useMemo } from "react";
import { sayDifference } from "#core/units/duration";
import { DAY, HOUR } from "#core/units/units";
import { Chart, tokenOf } from "./chart";

interface Bar {
  label: string;
  /** minutes; less than nothing is earlier */
  gain: number;
  /** it is one of those compared */
  chosen: boolean;
}

/** How much earlier or later the last work would be done, idea by idea, the best at the top. */
export default function GainChart({ bars, height }: { bars: readonly Bar[]; height: number }) {
  const option = useMemo(() => {
    const most = Math.max(0, ...bars.map(({ gain }) => Math.abs(gain)));
    const unit = most > 2 * DAY ? { minutes: DAY, name: "d" } : { minutes: HOUR, name: "h" };
    const rows = { type: "category", inverse: true, axisTick: { show: false }, axisLine: { show: false } };
    return {
      grid: { left: 190, right: 92, top: 4, bottom: 22 },
      xAxis: {
        type: "value",
        axisLabel: { color: tokenOf("soft"), formatter: `{value} ${unit.name}`, hideOverlap: true },
        splitLine: { lineStyle: { color: tokenOf("hair") } },
      },
      yAxis: [
        {
          ...rows,
          data: bars.map(({ label }) => label),
          axisLabel: { color: tokenOf("ink"), fontSize: 12, lineHeight: 14, width: 178, overflow: "break" },
        },
        {
          ...rows,
          position: "right",
          data: bars.map(({ gain }) => sayDifference(gain)),
          axisLabel: { color: tokenOf("ink"), fontSize: 12 },
        },
      ],
      series: [
        {
          type: "bar",
          barMaxWidth: 14,
          data: bars.map(({ gain, chosen }) => ({
            value: gain / unit.minutes,
            itemStyle: {
              color: tokenOf(gain > 0 ? "ochre" : "verdigris"),
              borderColor: tokenOf("ink"),
              borderWidth: chosen ? 2 : 0,
            },
          })),
        },
      ],
    };
  }, [bars]);
  const says = bars.map(({ label, gain }) => `${label}: ${sayDifference(gain)}`).join("; ");
  return <Chart option={option} height={height} says={`What each idea would gain. ${says}`} />;
}
