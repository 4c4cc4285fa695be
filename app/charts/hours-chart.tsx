import { useMemo } from "react";
import { DAY, type WallMinutes } from "#core/units/units";
import { weekday } from "#core/units/wall-time";
import { sayDate } from "#core/units/when";
import { Chart, tokenOf } from "./chart";

interface Day {
  midnight: WallMinutes;
  /** hours, by painter */
  worked: number[];
  /** hours there are, of all together */
  there: number;
}

/** More days than this are shown by the week. */
const BY_DAY = 31;

/** Days as they are, or summed up week by week where there are many. */
function columnsOf(days: readonly Day[]): { name: string; worked: number[]; there: number }[] {
  if (days.length <= BY_DAY)
    return days
      .filter(({ there, worked }) => there > 0 || worked.some((hours) => hours > 0))
      .map(({ midnight, ...rest }) => ({ name: sayDate(midnight), ...rest }));
  const weeks = new Map<WallMinutes, { worked: number[]; there: number }>();
  for (const { midnight, worked, there } of days) {
    const monday = midnight - weekday(midnight) * DAY;
    const week = weeks.get(monday) ?? { worked: worked.map(() => 0), there: 0 };
    weeks.set(monday, {
      worked: week.worked.map((sum, index) => sum + worked[index]!),
      there: week.there + there,
    });
  }
  return [...weeks].map(([monday, week]) => ({ name: `week of ${sayDate(monday)}`, ...week }));
}

const TONES = ["verdigris", "sienna", "slate", "ochre"];
const hours = (value: number) => `${Math.round(value * 10) / 10} h`;

/** Hands-on hours, day by day or week by week, against the hours there are. */
export default function HoursChart({
  days,
  names,
  height,
}: {
  days: readonly Day[];
  names: readonly string[];
  height: number;
}) {
  const columns = useMemo(() => columnsOf(days), [days]);
  const option = useMemo(
    () => ({
      grid: { left: 164, right: 12, top: 28, bottom: 24 },
      tooltip: { trigger: "axis", axisPointer: { type: "shadow" }, valueFormatter: hours, confine: true },
      legend: { top: 0, left: 164, itemWidth: 14, itemHeight: 10, textStyle: { fontSize: 12.5 } },
      xAxis: {
        type: "category",
        data: columns.map(({ name }) => name),
        axisTick: { show: false },
        axisLine: { lineStyle: { color: tokenOf("line") } },
        axisLabel: { color: tokenOf("soft"), hideOverlap: true },
      },
      yAxis: {
        type: "value",
        minInterval: 1,
        axisLabel: { color: tokenOf("soft"), formatter: "{value} h" },
        splitLine: { lineStyle: { color: tokenOf("hair") } },
      },
      series: [
        ...names.map((name, index) => ({
          name,
          type: "bar",
          stack: "hands",
          barMaxWidth: 42,
          itemStyle: {
            color: tokenOf(TONES[index % TONES.length]!),
            // no pair of hands is known by its colour alone
            decal:
              index % 2 === 1
                ? { symbol: "rect", dashArrayX: [1, 0], dashArrayY: [2, 5], rotation: -0.8, color: tokenOf("board") }
                : undefined,
          },
          data: columns.map(({ worked }) => worked[index]),
        })),
        {
          name: "working hours",
          type: "line",
          step: "middle",
          symbol: "none",
          lineStyle: { color: tokenOf("ink"), width: 1.4, type: "dashed" },
          itemStyle: { color: tokenOf("ink") },
          data: columns.map(({ there }) => there),
        },
      ],
    }),
    [columns, names],
  );
  const says = columns
    .map(
      ({ name, worked, there }) =>
        `${name}: ${hours(worked.reduce((sum, value) => sum + value, 0))} of ${hours(there)}`,
    )
    .join("; ");
  return <Chart option={option} height={height} says={`Hands-on hours. ${says}`} />;
}
