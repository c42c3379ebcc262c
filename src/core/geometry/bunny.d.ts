declare module 'bunny' {
  const mesh: { readonly positions: number[][]; readonly cells: number[][] };
  export default mesh;
}
