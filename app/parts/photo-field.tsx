import { FileChoice } from "./file-choice";

/** Where a photo is chosen, from the files of the device or by its camera. */
export function PhotoField({ label }: { label: string }) {
  const named = `${label} (up to 8 MB)`;
  return (
    <div className="text-note">
      <span className="mb-0.5 block text-soft" aria-hidden="true">
        {named}
      </span>
      <FileChoice
        label={named}
        says="Choose a photo"
        name="photo"
        accept="image/jpeg,image/png,image/webp,image/avif,image/heic"
        required
      />
    </div>
  );
}
