export interface Running {
  /** Address without a slash at the end. */
  base: string
  end: () => Promise<void>
  kill: () => Promise<void>
}
export declare function builtServer(options: {
  url: string
  port?: number
  env?: Record<string, string>
}): Promise<Running>
export declare function copyOf(url: string): Promise<string>
