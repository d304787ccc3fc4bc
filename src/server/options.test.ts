import { expect, test } from '@jest/globals';
import { resolve } from 'node:path';
import { readSettings } from './options';

const GB = 1024 ** 3;

test('without a word: the usual port, the data folder beside the application, the demos', () => {
  expect(readSettings([], '/somewhere')).toEqual({
    port: 4170,
    data: resolve('/somewhere/data'),
    demo: true,
    hosts: [],
    quota: 20 * GB,
    door: null,
  });
});

test('all that can be said', () => {
  const said = [
    ...['--port', '0', '--data', '/work', '--no-demo', '--quota', '0.5'],
    ...['--host', 'a', '--host', 'b'],
  ];
  expect(readSettings(said, '/')).toEqual({
    port: 0,
    data: resolve('/work'),
    demo: false,
    hosts: ['a', 'b'],
    quota: GB / 2,
    door: null,
  });
});

test('a door for viewers: on the network beside its own port, or under a name with a certificate', () => {
  expect(readSettings(['--lan'], '/').door).toEqual({ port: 4171, certificate: null });
  expect(readSettings(['--lan', '--port', '0'], '/').door).toEqual({ port: 0, certificate: null });
  expect(readSettings(['--lan', '--viewers-port', '8443'], '/').door?.port).toBe(8443);
  const named = ['--host', 'tide.example', '--cert', 'c.pem', '--key', 'k.pem'];
  expect(readSettings(named, '/somewhere').door).toEqual({
    port: 4171,
    certificate: { cert: resolve('/somewhere/c.pem'), key: resolve('/somewhere/k.pem') },
  });
});

test.each([
  [['--cert', 'c.pem', '--host', 'a'], /belong together: give both --cert FILE and --key FILE/],
  [['--cert', 'c.pem', '--key', 'k.pem'], /say which with --host NAME/],
  [['--cert', 'c.pem', '--key', 'k.pem', '--host', 'a', '--lan'], /Give either --lan/],
  [['--viewers-port', '8443'], /is of use with --lan/],
  [['--lan', '--viewers-port', 'much'], /--viewers-port wants a number/],
  [['--prot', '80'], /does not start: Unknown option '--prot'\. It takes --port N/],
  [['80'], /does not start: Unexpected argument '80'\. It takes/],
  [['--port'], /does not start: .*--port.*It takes --port N/],
  [['--port', '80 80'], /--port wants a number from 0 to 65535, not 80 80/],
  [['--port', '-1'], /does not start|--port wants/],
  [['--port', '70000'], /--port wants/],
  [['--quota', 'much'], /--quota wants gigabytes above 0, not much/],
  [['--quota', '0'], /--quota wants/],
])('%j is refused with what to say instead', (args, words) => {
  expect(() => readSettings(args, '/')).toThrow(words);
});
