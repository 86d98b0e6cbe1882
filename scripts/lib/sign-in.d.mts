export declare function signInAs(base: string, login: string): Promise<{ cookie: string; csrf: string }>
