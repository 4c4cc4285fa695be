import { useMemo } from "react";
import { Chart, tokenOf } from "./chart";

interface Week {
  label: string;
  right: number;
  wrong: number;
}

/** Answers in the trainer week by week: right below, wrong on top. */
export default function RecordChart({ weeks, height }: { weeks: readonly Week[]; height: number }) {
  const option = useMemo(() => {
    const bars = (name: string, colour: string, of: (week: Week) => number) => ({
      name,
      type: "bar",
      stack: "answers",
      barMaxWidth: 28,
      data: weeks.map(of),
      itemStyle: { color: colour },
    });
    return {
      grid: { left: 30, right: 8, top: 28, bottom: 22 },
      legend: { top: 0, left: 0, itemWidth: 14, textStyle: { color: tokenOf("soft") } },
      xAxis: {
        type: "category",
        data: weeks.map(({ label }) => label),
        axisTick: { show: false },
        axisLabel: { color: tokenOf("soft"), hideOverlap: true },
      },
      yAxis: {
        type: "value",
        minInterval: 1,
        axisLabel: { color: tokenOf("soft") },
        splitLine: { lineStyle: { color: tokenOf("hair") } },
      },
      series: [
        bars("right", tokenOf("verdigris"), ({ right }) => right),
        bars("wrong", tokenOf("ochre"), ({ wrong }) => wrong),
      ],
    };
  }, [weeks]);
  const says = weeks.map(({ label, right, wrong }) => `week of ${label}: ${right} right, ${wrong} wrong`).join("; ");
  return <Chart option={option} height={height} says={says} />;
}
