export declare const METHODS: ReadonlySet<string>;
export declare function isLoopback(host: string): boolean;
/** Why the app may not be opened on this address; null when it may. */
export declare function whyNotServed(host: string, passphrase: string | undefined): string | null;
/** What is wrong with a request before anything is done for it: status and words, or null. */
export declare function badRequest(request: {
  readonly method: string;
  readonly url: string;
  readonly localAddress: string | undefined;
}): readonly [status: number, words: string] | null;
