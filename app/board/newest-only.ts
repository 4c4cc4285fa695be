/** For a worker that gives up as soon as something newer is requested. */
export function newestOnly() {
  let newest = 0;
  return {
    take(id: number) {
      newest = id;
    },
    /** lets messages in, and says whether this request is still the newest */
    stillWanted: (id: number) =>
      new Promise<boolean>((resolve) => {
        setTimeout(() => resolve(id === newest), 0);
      }),
  };
}
