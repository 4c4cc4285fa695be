import { useMemo } from "react";
import type { Unit } from "#core/shelf/usage";
import { readWallTime } from "#core/units/wall-time";
import { sayDate } from "#core/units/when";
import { sayAmount, type Voice } from "~/words/measures";
import { Chart, tokenOf } from "./chart";

/** What there was of a good after each movement, as steps over time. */
export default function StockChart({
  course,
  unit,
  voice,
  height,
}: {
  course: readonly { at: string; amount: number }[];
  unit: Unit | "pieces";
  voice: Voice;
  height: number;
}) {
  const option = useMemo(
    () => ({
      grid: { left: 56, right: 12, top: 12, bottom: 24 },
      tooltip: {
        trigger: "axis",
        confine: true,
        valueFormatter: (value: number) => sayAmount(unit, value, voice),
      },
      xAxis: {
        type: "time",
        axisLine: { lineStyle: { color: tokenOf("line") } },
        axisLabel: { color: tokenOf("soft"), hideOverlap: true, formatter: "{d} {MMM}" },
      },
      yAxis: {
        type: "value",
        axisLabel: { color: tokenOf("soft"), formatter: (value: number) => sayAmount(unit, value, voice) },
        splitLine: { lineStyle: { color: tokenOf("hair") } },
      },
      series: [
        {
          name: "on the shelf",
          type: "line",
          step: "end",
          symbolSize: 6,
          lineStyle: { color: tokenOf("verdigris"), width: 1.6 },
          itemStyle: { color: tokenOf("verdigris") },
          areaStyle: { color: tokenOf("wash") },
          data: course.map(({ at, amount }) => [at, Math.round(amount * 10) / 10]),
        },
      ],
    }),
    [course, unit, voice],
  );
  const says = course
    .map(({ at, amount }) => `${sayDate(readWallTime(at) ?? 0)}: ${sayAmount(unit, amount, voice)}`)
    .join("; ");
  return <Chart option={option} height={height} says={`Stock over time. ${says}`} />;
}
