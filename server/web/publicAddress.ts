// Which network addresses the server may ask on somebody's behalf: public ones. Otherwise whoever may write a link
// could make the server look around in the network that it stands in.
import { BlockList, isIP } from 'node:net'

// One list a family: in a common one every IPv4 address would fall under the IPv6 range that it is mapped to.
const PRIVATE = { ipv4: new BlockList(), ipv6: new BlockList() }
/** After the special-purpose registries of IANA (RFC 6890 and its successors). */
const PRIVATE_V4 = [
  '0.0.0.0/8',
  '10.0.0.0/8',
  '100.64.0.0/10',
  '127.0.0.0/8',
  '169.254.0.0/16',
  '172.16.0.0/12',
  '192.0.0.0/24',
  '192.0.2.0/24',
  '192.88.99.0/24',
  '192.168.0.0/16',
  '198.18.0.0/15',
  '198.51.100.0/24',
  '203.0.113.0/24',
  '224.0.0.0/4',
  '240.0.0.0/4',
]
/** Forms of IPv6 that carry an IPv4 address within are refused as a whole: nobody publishes pages under them. */
const PRIVATE_V6 = [
  '::/96',
  '::ffff:0:0/96',
  '64:ff9b::/96',
  '64:ff9b:1::/48',
  '100::/64',
  '2001::/32',
  '2001:db8::/32',
  '2002::/16',
  'fc00::/7',
  'fe80::/10',
  'fec0::/10',
  'ff00::/8',
]
for (const [list, family] of [
  [PRIVATE_V4, 'ipv4'],
  [PRIVATE_V6, 'ipv6'],
] as const)
  for (const net of list) {
    const [start, length] = net.split('/')
    PRIVATE[family].addSubnet(start!, Number(length), family)
  }

/** Whether an IP address, v4 or v6, belongs to the public network; what is no address does not. */
export function isPublicAddress(ip: string): boolean {
  const version = isIP(ip)
  if (version === 0) return false
  const family = version === 4 ? 'ipv4' : 'ipv6'
  return !PRIVATE[family].check(ip, family)
}
