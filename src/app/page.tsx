/** The shelf. Screens are shown by `Screens` in the layout, which goes by the address; a route says that there is one, and its name. */
export default function Page() {
  return null;
}
