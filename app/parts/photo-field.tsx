/** Where a photo is chosen, from the files of the device or by its camera. */
export function PhotoField({ label }: { label: string }) {
  return (
    <label className="text-note">
      <span className="mb-0.5 block text-soft">{label} (up to 8 MB)</span>
      <input
        type="file"
        name="photo"
        accept="image/jpeg,image/png,image/webp,image/avif,image/heic"
        required
        className="max-w-full file:mr-2 file:rounded-std file:border file:border-edge file:bg-board file:px-3 file:py-1 file:font-medium"
      />
    </label>
  );
}
