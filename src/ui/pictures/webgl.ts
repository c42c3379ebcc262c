/** What this browser can draw: nothing in 3D, slowly in software, or on a graphics card. */
type Drawing = 'none' | 'software' | 'card';

let found: Drawing | null = null;

export function drawing(): Drawing {
  if (found) return found;
  try {
    const gl = document.createElement('canvas').getContext('webgl2');
    if (!gl) return (found = 'none');
    const info = gl.getExtension('WEBGL_debug_renderer_info');
    const name = info ? String(gl.getParameter(info.UNMASKED_RENDERER_WEBGL)) : '';
    gl.getExtension('WEBGL_lose_context')?.loseContext();
    return (found = /swiftshader|llvmpipe|software/i.test(name) ? 'software' : 'card');
  } catch {
    return (found = 'none');
  }
}
