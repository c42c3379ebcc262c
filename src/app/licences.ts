/**
 * Everything that ships with the program and its licences, out of the installed packages, as one text. Packages of one
 * licence text stand together.
 */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = process.cwd();

interface Locked {
  readonly version: string;
  readonly license?: string;
  readonly dev?: boolean;
  readonly optional?: boolean;
  readonly devOptional?: boolean;
}

export interface Shipped {
  readonly name: string;
  readonly version: string;
  readonly licence: string;
  readonly text: string;
}

/** By which a licence is known that its package does not name. */
const MIT_WORDS = /Permission is hereby granted, free of charge, to any person obtaining a copy/;

/** Packages the program is built from; not those it is only tested and built with. */
export function shipped(): Shipped[] {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')) as {
    packages: Readonly<Record<string, Locked>>;
  };
  return Object.entries(packages)
    .filter(([path, p]) => path !== '' && !p.dev && !p.optional && !p.devOptional)
    .map(([path, { version, license }]) => {
      const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
      const folder = join(root, path);
      const file = existsSync(folder)
        ? readdirSync(folder).find((f) => /^(licen[cs]e|ofl|copying)/i.test(f))
        : undefined;
      const text = file ? readFileSync(join(folder, file), 'utf8').replaceAll('\r\n', '\n').trim() : '';
      return { name, version, licence: license ?? (MIT_WORDS.test(text) ? 'MIT' : 'see its text'), text };
    })
    .sort((a, b) => a.name.localeCompare(b.name, 'en') || a.version.localeCompare(b.version, 'en'));
}

export function licencesText(all: readonly Shipped[] = shipped()): string {
  const own = readFileSync(join(root, 'LICENSE'), 'utf8').trim();
  const byText = new Map<string, Shipped[]>();
  for (const p of all) {
    const key = p.text || `Licence: ${p.licence}. The package has no text of it.`;
    byText.set(key, [...(byText.get(key) ?? []), p]);
  }
  const list = all.map((p) => `${p.name} ${p.version} (${p.licence})`);
  const texts = [...byText].map(([text, of]) => `${of.map((p) => `${p.name} ${p.version}`).join(', ')}\n\n${text}`);
  const line = `\n\n${'-'.repeat(72)}\n\n`;
  return `${[`Fond Badger\n\n${own}`, `It ships with:\n\n${list.join('\n')}`, ...texts].join(line)}\n`;
}
