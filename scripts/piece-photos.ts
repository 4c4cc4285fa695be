// Takes the photos of the demo's pieces, as they came in: demo/photo/*.jpg. Run it after a change to demo/photo.
import sharp from "sharp";
import { PHOTOS_OF_PIECES } from "../demo/photo/pieces";
import { photographed } from "../demo/photo/room";

for (const make of PHOTOS_OF_PIECES) {
  const photo = make();
  const { width, height, data } = photographed(photo);
  const file = `demo/photo/${photo.id}.jpg`;
  await sharp(data, { raw: { width, height, channels: 4 } })
    .removeAlpha()
    .jpeg({ quality: 84 })
    .toFile(file);
  console.log(file);
}
