/** An address without a screen; `Screens` says so. */
export default function Page() {
  return null;
}
