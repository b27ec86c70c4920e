import { kindsFor } from './kinds';

test('a shape is offered only what it can be sewn as', () => {
  expect(kindsFor({ line: 'M0,0 L5,5' })).toEqual(['run']);
  expect(kindsFor({ line: 'M0,0 L5,5', width: 3 })).toEqual(['run', 'satin']);
  expect(kindsFor({ sides: ['M0,0 V5', 'M3,0 V5'] })).toEqual(['satin']);
  expect(kindsFor({ area: 'M0,0 h5 v5 Z' })).toEqual(['satin', 'fill', 'border', 'applique']);
});
