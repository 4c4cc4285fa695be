import { AXIS_HEADER, AxisDays, AxisHours, AxisNow } from "./axis-parts";
import { LaneRow, type Props } from "./day-lane";

/**
 * The calendar strip: work as solid uprights, drying as wedges that close, windows as gates, nights squeezed and
 * shaded.
 */
export function DaysDrawing(props: Props) {
  const { axis, lanes, width, height, labelWidth, day, now, linkToDay } = props;
  const laneHeight = Math.max(46, Math.min(112, (height - AXIS_HEADER - 8) / Math.max(1, lanes.length)));
  const bottom = AXIS_HEADER + laneHeight * lanes.length;
  return (
    <svg
      viewBox={`0 0 ${width} ${bottom + 4}`}
      width={width}
      height={bottom + 4}
      className="block touch-pan-y select-none"
      role="group"
      aria-label="Work and drying by day"
    >
      <defs>
        <clipPath id="days-clip">
          <rect x={labelWidth} y={AXIS_HEADER} width={width - labelWidth} height={bottom - AXIS_HEADER} />
        </clipPath>
      </defs>
      <AxisHours axis={axis} bottom={bottom} />
      <AxisDays axis={axis} day={day} linkToDay={linkToDay} />
      {lanes.map((lane, index) => (
        <LaneRow
          key={lane.id}
          lane={lane}
          props={props}
          top={AXIS_HEADER + index * laneHeight}
          laneHeight={laneHeight}
        />
      ))}
      <AxisNow axis={axis} now={now} bottom={bottom} />
    </svg>
  );
}
