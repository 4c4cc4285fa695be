export function bundleCommandLine(outDir: string): Promise<void>;
