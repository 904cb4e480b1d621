import { describe, expect, it } from 'vitest';
import { instrumentAddress } from './address.js';

describe('the address of an instrument', () => {
  it('is a host and a port of 1024 to 65535', () => {
    expect(instrumentAddress(' 127.0.0.1:5025 ', false)).toEqual({ host: '127.0.0.1', port: 5025 });
    expect(instrumentAddress('[::1]:1024', false)).toEqual({ host: '::1', port: 1024 });
    expect(instrumentAddress('LocalHost:65535', false)).toEqual({ host: 'LocalHost', port: 65535 });
    for (const wrong of [
      '127.0.0.1',
      '127.0.0.1:',
      ':5025',
      '127.0.0.1:1023',
      '127.0.0.1:65536',
      'a b:5025',
      'x:5025/',
    ])
      expect(() => instrumentAddress(wrong, true), wrong).toThrow(/as in 127\.0\.0\.1:5025; ports begin at 1024/);
  });

  it('of another machine is spoken to only where others are allowed', () => {
    expect(() => instrumentAddress('192.168.0.9:5025', false)).toThrow('192.168.0.9 is not this machine');
    expect(instrumentAddress('192.168.0.9:5025', true)).toEqual({ host: '192.168.0.9', port: 5025 });
    // A name that only begins like this machine's.
    expect(() => instrumentAddress('localhost.example:5025', false)).toThrow('is not this machine');
  });
});
