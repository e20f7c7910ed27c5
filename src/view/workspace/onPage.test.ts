/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { tablesOnPage, tableToTsv } from './onPage';

describe('what the open stage shows', () => {
  test('tables by the heading over them, as rows of cells with tabs', () => {
    document.body.innerHTML = `
      <main><h1>Cooling</h1>
        <section><div><h2>Radiators</h2></div>
          <table><thead><tr><th>radiator</th><th>speed</th></tr></thead>
            <tbody><tr><td>Front
              radiator</td><td><input value="1150"> rpm</td></tr>
              <tr><td><input type="checkbox"> owned</td><td>–</td></tr></tbody></table>
        </section>
        <table><tbody><tr><td>1</td></tr></tbody></table>
      </main><table></table>`;
    const tables = tablesOnPage();
    expect(tables.map((t) => t.name)).toEqual(['Radiators', 'Cooling']);
    expect(tables[0] && tableToTsv(tables[0].element)).toBe(
      'radiator\tspeed\nFront radiator\t1150\nowned\t–',
    );
  });
});
