// Writes the rules of every control that the app uses, so that the page need not make them while it draws.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { extractStyle } from '@ant-design/static-style-extract';
import * as antd from 'antd';
import { createElement } from 'react';
import { antTheme } from '../src/ui/theme/antTheme';

const source = join(import.meta.dirname, '../src');

/** Every name that a file of the app takes from antd. */
function controls(): string[] {
  const files = readdirSync(source, { recursive: true, encoding: 'utf8' }).filter((name) =>
    /\.tsx?$/.test(name),
  );
  const texts = files.map((name) => readFileSync(join(source, name), 'utf8'));
  const names = texts.flatMap((text) =>
    [...text.matchAll(/import \{([^}]*)\} from 'antd'/g)].flatMap(([, list = '']) =>
      list.split(',').map((name) => name.trim().split(' ')[0] ?? ''),
    ),
  );
  // What these are made of, and what the app's messages are shown in.
  const inside = ['Empty', 'Spin', 'Space', 'message', 'notification'];
  return [...new Set([...names, ...inside])].filter((name) => name in antd && !name.endsWith('Ref'));
}

// With the rules made at run time, which is what is caught here.
const design = { ...antTheme('day', false), zeroRuntime: false };
const css = extractStyle({
  includes: controls(),
  customTheme: (node) => createElement(antd.ConfigProvider, { theme: design }, node),
});
// Colours and sizes are set in the page, by its look.
const rules = css.replace(/\.css-var-[^{}]*\{[^{}]*\}/g, '');
writeFileSync(join(source, 'ui/theme/antd.css'), rules);
