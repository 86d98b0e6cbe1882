export interface Running {
  /** Of its process. */
  pid: number | undefined
  /** Address without a slash at the end. */
  base: string
  /** Path of the one-time link by which a server without users gets its first lead. */
  firstLead: string | null
  end: () => Promise<void>
  kill: () => Promise<void>
}
export declare function builtServer(options: {
  url: string
  port?: number
  env?: Record<string, string>
  log?: (text: string) => void
}): Promise<Running>
export declare function copyOf(url: string): Promise<string>
export declare function emptyBeside(url: string): Promise<string>
export declare function standInDrive(
  machine: string,
  how?: { port?: number; pace?: number },
): Promise<{ port: number; end: () => Promise<void> }>
