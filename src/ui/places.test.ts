import { idOfAddress, placeHref } from './places';

test.each(['.', '..', '~', '~dot', 'dot', '~~', 'a/b', 'a?b#c', '%2e', 'ü ‘name’', 'plain-1'])(
  'a job with the id %s has an address of its own',
  (id) => {
    const href = placeHref(id, 'bench');
    const { pathname } = new URL(href, 'http://cobble.test');
    expect(pathname).toBe(href);
    const [, job, part, place, ...more] = pathname.split('/');
    expect([job, place, more]).toEqual(['job', 'bench', []]);
    expect(idOfAddress(part!)).toBe(id);
  },
);

test('no two ids share an address', () => {
  const ids = ['.', '..', 'dot', 'dotdot', '~dot', '~dotdot', '~~dot', '~.', '~..'];
  expect(new Set(ids.map((id) => placeHref(id, 'art'))).size).toBe(ids.length);
});
