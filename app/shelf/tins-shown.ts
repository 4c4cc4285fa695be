/** Whether the page of the shelf shows its tins, and not what the jobs need. */
export const showsTins = (params: URLSearchParams): boolean => params.get("show") === "tins" || params.has("tin");
