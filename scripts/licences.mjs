import { readFileSync, writeFileSync } from 'node:fs';
import { promisify } from 'node:util';
import { init } from 'license-checker-rseidelsohn';

// Writes the licences of everything that ships, fonts included: npm run licences
const found = await promisify(init)({ start: '.', production: true, excludePrivatePackages: true });
const text = (file) => {
  try {
    // A readme is no licence text.
    return file && !/readme/i.test(file) ? readFileSync(file, 'utf8').trim() : '';
  } catch {
    return '';
  }
};
const packages = Object.entries(found).sort(([a], [b]) => (a < b ? -1 : 1));
const list = packages.map(([name, { licenses }]) => `${name}: ${[licenses].flat().join(', ')}`).join('\n');
const texts = packages.map(
  ([name, { licenses, licenseFile, repository }]) =>
    `${name}\n${[licenses].flat().join(', ')}${repository ? `\n${repository}` : ''}\n\n${text(licenseFile) || 'The package has no licence text of its own.'}\n`,
);
writeFileSync(
  'src/web/public/licences.txt',
  `Software and fonts in Jack Plane, with their licences\n\n${list}\n\n${texts.map((each) => `${'-'.repeat(80)}\n\n${each}`).join('\n')}`,
);
console.log(`${packages.length} packages listed in src/web/public/licences.txt`);
