import { ATTACKS } from '../../src/server/attack/documents';

process.stdout.write(
  JSON.stringify(ATTACKS.map(({ name, document }) => ({ name, text: JSON.stringify(document) }))),
);
