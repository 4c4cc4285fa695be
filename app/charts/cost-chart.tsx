import { useMemo } from "react";
import { sayMoney, type Voice } from "~/words/measures";
import { Chart, tokenOf } from "./chart";

/** Where the money and the hours of a job go: a bar for each zone, materials beside hands-on work. */
export default function CostChart({
  zones,
  hourly,
  voice,
  height,
}: {
  zones: readonly { zone: string; minutes: number; materials: number }[];
  hourly: number;
  voice: Voice;
  height: number;
}) {
  const option = useMemo(() => {
    const rows = [...zones].reverse();
    const money = (value: number) => Math.round(value * 100) / 100;
    return {
      grid: { left: 128, right: 64, top: 26, bottom: 22 },
      legend: { top: 0, left: 128, itemWidth: 14, itemHeight: 10, textStyle: { fontSize: 12.5 } },
      tooltip: {
        trigger: "axis",
        axisPointer: { type: "shadow" },
        confine: true,
        valueFormatter: (value: number) => sayMoney(value, voice),
      },
      xAxis: {
        type: "value",
        axisLabel: { color: tokenOf("soft"), hideOverlap: true },
        splitLine: { lineStyle: { color: tokenOf("hair") } },
      },
      yAxis: {
        type: "category",
        data: rows.map(({ zone }) => zone),
        axisTick: { show: false },
        axisLine: { lineStyle: { color: tokenOf("line") } },
        axisLabel: { color: tokenOf("ink"), width: 116, overflow: "truncate" },
      },
      series: [
        {
          name: "hands-on work",
          type: "bar",
          stack: "all",
          barMaxWidth: 18,
          itemStyle: { color: tokenOf("verdigris") },
          data: rows.map(({ minutes }) => money((minutes / 60) * hourly)),
        },
        {
          name: "materials",
          type: "bar",
          stack: "all",
          barMaxWidth: 18,
          itemStyle: {
            color: tokenOf("sienna"),
            decal: { symbol: "rect", dashArrayX: [1, 0], dashArrayY: [2, 5], rotation: -0.8, color: tokenOf("board") },
          },
          data: rows.map(({ materials }) => money(materials)),
        },
      ],
    };
  }, [zones, hourly, voice]);
  const says = zones
    .map(
      ({ zone, minutes, materials }) =>
        `${zone}: ${Math.round(minutes)} minutes, ${sayMoney((minutes / 60) * hourly, voice)}, materials ${sayMoney(materials, voice)}`,
    )
    .join("; ");
  return <Chart option={option} height={height} says={`Work and materials by zone. ${says}`} />;
}
