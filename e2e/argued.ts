/** What axe finds that is left as it is, each with its reason. */
export const ARGUED: readonly { readonly rule: string; readonly why: string }[] = [];
