import { describe, expect, test } from 'vitest'
import { hostAndPort, isInnerAddress } from './guard'

describe('isInnerAddress', () => {
  test.each([
    ['127.0.0.1', true],
    ['127.255.255.254', true],
    ['10.0.0.1', true],
    ['172.16.0.1', true],
    ['172.32.0.1', false],
    ['192.168.1.1', true],
    ['169.254.169.254', true],
    ['100.64.0.1', true],
    ['0.0.0.0', true],
    ['224.0.0.1', true],
    ['255.255.255.255', true],
    ['8.8.8.8', false],
    ['::1', true],
    ['[::1]', true],
    ['::', true],
    ['fe80::1%eth0', true],
    ['fd12:3456::1', true],
    ['::ffff:127.0.0.1', true],
    ['::ffff:7f00:1', true],
    ['::ffff:8.8.8.8', false],
    ['64:ff9b::7f00:1', true],
    ['64:ff9b::808:808', false],
    ['64:ff9b:1::808:808', true],
    ['::127.0.0.1', true],
    ['::8.8.8.8', false],
    ['::808:808', true],
    ['::ffff:0:127.0.0.1', true],
    ['::ffff:0:808:808', false],
    ['2002:7f00:1::', true],
    ['2002:a00:5::1', true],
    ['2002:808:808::1', false],
    ['2001:0:808:808:0:0:f5ff:fffa', true],
    ['2001:0:a00:5:0:0:f7f7:f7f7', true],
    ['2001:0:808:808:0:0:f7f7:f7f7', false],
    ['fec0::1', true],
    ['100::1', true],
    ['fd00:ec2::254', true],
    ['168.63.129.16', true],
    ['100.100.100.200', true],
    ['192.0.0.192', true],
    ['198.51.100.7', true],
    ['2001:db8::1', true],
    ['4000::1', true],
    ['127.1', true],
    ['2606:4700::1111', false],
    ['not an address', true],
  ])('%s: %s', (address, expected) => {
    expect(isInnerAddress(address)).toBe(expected)
  })

  test.each(['http://2130706433/', 'http://0x7f.1/', 'http://0177.0.0.1/', 'http://127.1/'])(
    '%s is read as the address it means',
    (url) => {
      expect(isInnerAddress(new URL(url).hostname)).toBe(true)
    },
  )
})

test('hostAndPort writes the port out', () => {
  expect(hostAndPort('https://a.example/x')).toBe('a.example:443')
  expect(hostAndPort('http://a.example:8080/')).toBe('a.example:8080')
})
