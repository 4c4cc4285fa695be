import { index, type RouteConfig, route } from "@react-router/dev/routes";

export default [
  index("routes/jobs.tsx"),
  route("jobs/new", "routes/new-job.tsx"),
  route("jobs/:planId", "routes/job.tsx", [
    index("routes/job-start.tsx"),
    route("piece", "routes/piece.tsx"),
    route("crust", "routes/crust.tsx"),
    route("board", "routes/board.tsx"),
    route("days", "routes/days.tsx"),
    route("shelf", "routes/shelf.tsx"),
    route("mix", "routes/mix.tsx"),
    route("materials", "routes/materials.tsx"),
    route("house", "routes/house.tsx"),
  ]),
  route("jobs/:planId/edit", "routes/edit.ts"),
  route("jobs/:planId/days.ics", "routes/days-ics.ts"),
  route("jobs/:planId/wall", "routes/wall.tsx"),
  route("days", "routes/shop-days.tsx"),
  route("days.ics", "routes/shop-ics.ts"),
  route("jobs/:planId/board.png", "routes/board-png.ts"),
  route("jobs/:planId/photos/:photoId", "routes/photo.ts"),
  route("jobs/:planId/palette.gpl", "routes/palette.ts"),
  route("jobs/:planId/export", "routes/export.ts"),
  route("guide", "routes/guide.tsx"),
  route("keys", "routes/keys.tsx"),
  route("*", "routes/nowhere.tsx"),
] satisfies RouteConfig;
