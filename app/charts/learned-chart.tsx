import { useMemo } from "react";
import { type Belief, density } from "#core/ledger/learned";
import { Chart, tokenOf } from "./chart";

const FROM = 0.4;
const TO = 2.2;
const STEP = 0.02;

const curve = (belief: Belief): [number, number][] =>
  Array.from({ length: Math.round((TO - FROM) / STEP) + 1 }, (_, index) => {
    const factor = FROM + index * STEP;
    return [factor, density(belief, factor)];
  });

/** What was believed of a kind's drying before anything was seen, and what is believed now. */
export default function LearnedChart({
  before,
  now,
  ratios,
  height,
  family,
}: {
  before: Belief;
  now: Belief;
  ratios: readonly number[];
  height: number;
  family: string;
}) {
  const option = useMemo(
    () => ({
      grid: { left: 12, right: 12, top: 24, bottom: 26 },
      legend: { top: 0, right: 0, itemWidth: 22, textStyle: { color: tokenOf("soft") } },
      xAxis: {
        type: "value",
        min: FROM,
        max: TO,
        interval: 0.2,
        axisLabel: {
          color: tokenOf("soft"),
          formatter: (value: number) => (Math.abs(value - 1) < 0.01 ? "tin" : value.toFixed(1)),
          hideOverlap: true,
        },
        splitLine: { show: false },
      },
      yAxis: { type: "value", show: false },
      series: [
        {
          name: "before",
          type: "line",
          showSymbol: false,
          data: curve(before),
          lineStyle: { type: "dashed", color: tokenOf("soft"), width: 1.5 },
          itemStyle: { color: tokenOf("soft") },
        },
        {
          name: `now, with your ${ratios.length}`,
          type: "line",
          showSymbol: false,
          data: curve(now),
          lineStyle: { color: tokenOf("verdigris"), width: 2 },
          itemStyle: { color: tokenOf("verdigris") },
          areaStyle: { color: tokenOf("verdigris"), opacity: 0.18 },
        },
        {
          name: "seen",
          type: "line",
          lineStyle: { width: 0 },
          symbol: "circle",
          symbolSize: 8,
          data: ratios.map((ratio) => [Math.min(TO, Math.max(FROM, ratio)), 0]),
          itemStyle: { color: tokenOf("ochre") },
        },
      ],
    }),
    [before, now, ratios],
  );
  const says = `${family}: ${ratios.map((ratio) => ratio.toFixed(2)).join(", ")} times as long as the tin says; taken together ${Math.exp(now.mean).toFixed(2)} times`;
  return <Chart option={option} height={height} says={says} />;
}
