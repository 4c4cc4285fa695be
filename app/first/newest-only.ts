/** For a program off the page that gives up as soon as something newer is asked of it. */
export function newestOnly() {
  let newest = 0;
  /** Begins what is asked now; what is returned lets messages in, and says whether it is still the newest. */
  return () => {
    const mine = ++newest;
    return () =>
      new Promise<boolean>((resolve) => {
        setTimeout(() => resolve(mine === newest), 0);
      });
  };
}
