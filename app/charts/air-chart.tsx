import { useMemo } from "react";
import { DEW_MARGIN, dewPoint } from "#core/drying/air";
import type { Climate } from "#core/drying/climate";
import { HOUR, type WallMinutes } from "#core/units/units";
import { sayMoment } from "#core/units/when";
import type { TimeAxis } from "~/drawing/time-axis";
import { sayRange } from "~/words/room";
import { Chart, tokenOf } from "./chart";

interface Props {
  axis: TimeAxis;
  climate: Climate;
  /** wall time of instant 0 of the climate */
  zero: WallMinutes;
  left: number;
  width: number;
  height: number;
}

interface Hour {
  wall: WallMinutes;
  x: number;
  celsius: number;
  humidity: number;
  /** degrees above the dew point */
  margin: number;
}

function hoursOf({ axis, climate, zero }: Pick<Props, "axis" | "climate" | "zero">): Hour[] {
  const hours: Hour[] = [];
  for (let wall = axis.from; wall <= axis.to; wall += HOUR) {
    const { celsius, relativeHumidity } = climate.at(wall - zero);
    const x = axis.at(wall === axis.to ? wall - 0.001 : wall);
    hours.push({ wall, x, celsius, humidity: relativeHumidity, margin: celsius - dewPoint(celsius, relativeHumidity) });
  }
  return hours;
}

const degrees = (value: number) => `${Math.round(value * 10) / 10} °C`;

/** Where the air is so near its dew point that it may settle on the work. */
function damp(hours: readonly Hour[]) {
  const spans: [{ xAxis: number }, { xAxis: number }][] = [];
  hours.forEach(({ x, margin }, index) => {
    const next = hours[index + 1];
    if (margin >= DEW_MARGIN || !next) return;
    const last = spans.at(-1);
    if (last?.[1].xAxis === x) last[1].xAxis = next.x;
    else spans.push([{ xAxis: x }, { xAxis: next.x }]);
  });
  return spans;
}

/** The room's air on the axis of the calendar above: degrees and how far above dew on the left, humidity on the right. */
export default function AirChart({ axis, climate, zero, left, width, height }: Props) {
  const option = useMemo(() => {
    const hours = hoursOf({ axis, climate, zero });
    const line = (name: string, of: (hour: Hour) => number, tone: string, dash: number[] | null, right = false) => ({
      name,
      type: "line",
      yAxisIndex: right ? 1 : 0,
      symbol: "none",
      lineStyle: { width: 1.6, color: tokenOf(tone), ...(dash ? { type: dash } : {}) },
      itemStyle: { color: tokenOf(tone) },
      data: hours.map((hour) => [hour.x, of(hour)]),
    });
    const spans = damp(hours);
    const temperature = {
      ...line("air", ({ celsius }) => celsius, "ochre", null),
      ...(spans.length > 0
        ? { markArea: { silent: true, itemStyle: { color: tokenOf("ochre"), opacity: 0.18 }, data: spans } }
        : {}),
    };
    const least = Math.min(0, ...hours.map(({ celsius, margin }) => Math.min(celsius, margin)));
    const most = Math.max(...hours.map(({ celsius }) => celsius));
    return {
      grid: { left, right: 4, top: 8, bottom: 6, containLabel: false },
      legend: {
        orient: "vertical",
        left: 0,
        top: 4,
        itemWidth: 16,
        itemHeight: 2,
        textStyle: { fontSize: 12 },
        selectedMode: false,
      },
      tooltip: {
        trigger: "axis",
        confine: true,
        formatter: (points: { dataIndex: number }[]) => {
          const hour = hours[points[0]?.dataIndex ?? 0];
          if (!hour) return "";
          return `${sayMoment(hour.wall)}<br>${degrees(hour.celsius)}, ${Math.round(hour.humidity)} %<br>${degrees(hour.margin)} above dew`;
        },
      },
      xAxis: { type: "value", min: left, max: left + width, show: false },
      yAxis: [
        {
          type: "value",
          min: Math.floor(least / 5) * 5,
          max: Math.ceil(most / 5) * 5 + 5,
          splitNumber: 3,
          axisLabel: { fontSize: 11, color: tokenOf("soft"), formatter: "{value} °C" },
          splitLine: { lineStyle: { color: tokenOf("hair") } },
        },
        {
          type: "value",
          min: 0,
          max: 100,
          interval: 100,
          axisLabel: { fontSize: 11, color: tokenOf("soft"), formatter: "{value} %", inside: true },
          splitLine: { show: false },
        },
      ],
      series: [
        temperature,
        line("humidity", ({ humidity }) => humidity, "slate", [7, 3], true),
        line("above dew", ({ margin }) => margin, "soft", [2, 3]),
      ],
    };
  }, [axis, climate, zero, left, width]);
  const says = useMemo(() => {
    const hours = hoursOf({ axis, climate, zero });
    const range = (of: (hour: Hour) => number, unit: string) => {
      const values = hours.map(of);
      return sayRange(Math.min(...values), Math.max(...values), unit);
    };
    return `The room: air ${range(({ celsius }) => celsius, "°C")}, humidity ${range(({ humidity }) => humidity, "%")}, above dew ${range(({ margin }) => margin, "°C")}`;
  }, [axis, climate, zero]);
  return <Chart option={option} height={height} says={says} />;
}
