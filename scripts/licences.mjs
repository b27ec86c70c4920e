// Lists the packages that Cobble uses directly, with their licences, into THIRD-PARTY.md.
import { readFileSync, writeFileSync } from 'node:fs';

const own = JSON.parse(readFileSync('package.json', 'utf8'));
const rows = (names) =>
  names.sort().map((name) => {
    const { version, license } = JSON.parse(readFileSync(`node_modules/${name}/package.json`, 'utf8'));
    return `| ${name} | ${version} | ${license ?? 'see its LICENSE file'} |`;
  });
const table = (title, names) => [`## ${title}`, '', '| package | version | licence |', '|---|---|---|', ...rows(names), ''];
const text = [
  '# Third-party packages',
  '',
  'Made by `npm run licences`. Each package brings its licence text in `node_modules`; the fonts are under the SIL Open Font License.',
  '',
  ...table('In the application', Object.keys(own.dependencies)),
  ...table('For building and testing', Object.keys(own.devDependencies)),
].join('\n');
writeFileSync('THIRD-PARTY.md', text);
