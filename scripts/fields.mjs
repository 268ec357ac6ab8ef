// Writes what the page shows of each field of a rig, a scene and conventions: label, help, how it is typed, what stands for empty. All of it
// is defined in the core and comes by the OpenAPI document (x-field).
import { readFileSync, writeFileSync } from 'node:fs';

const [document, out] = process.argv.slice(2);
const { schemas } = JSON.parse(readFileSync(document, 'utf8')).components;
const of = (schema) =>
  Object.entries(schema.properties).flatMap(([name, property]) =>
    property['x-field']
      ? [[name, { ...property['x-field'], help: property.description }]]
      : property.properties
        ? of(property).map(([inner, field]) => [`${name}.${inner}`, field])
        : [],
  );
const groups = {
  rigFields: 'RigInput',
  sceneFields: 'SceneInput',
  conventionFields: 'ConventionsInput',
  testSetupFields: 'TestSetupInput',
  testReadingFields: 'TestReadingInput',
};
const text = Object.entries(groups).map(
  ([name, schema]) => `export const ${name} = ${JSON.stringify(Object.fromEntries(of(schemas[schema])), null, 2)} as const;\n`,
);
writeFileSync(out, `// Made by ./dev types from the core's definitions; not written by hand.\n\n${text.join('\n')}`);
