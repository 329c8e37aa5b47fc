"""A packet filter that drops what comes for one port number, by nf_tables alone: netlink messages, no tool needed. Says "dropping" when it stands."""
import socket
import struct
import sys

NF_TABLES = 10 << 8
BATCH_BEGIN, BATCH_END, ERROR = 16, 17, 2
NEW_TABLE, NEW_CHAIN, NEW_RULE = 0, 3, 6
REQUEST, ACKNOWLEDGE, CREATE, APPEND = 1, 4, 0x400, 0x800
NESTED = 0x8000
INPUT_HOOK, TRANSPORT_HEADER, DESTINATION_PORT = 1, 2, 2
IPV4 = socket.AF_INET


def attribute(kind, value):
    length = 4 + len(value)
    return struct.pack('HH', length, kind) + value + b'\0' * (-length % 4)


def number(kind, value):
    return attribute(kind, struct.pack('>I', value))


def nest(kind, *parts):
    return attribute(kind | NESTED, b''.join(parts))


def message(kind, flags, sequence, family, body=b'', resource=0):
    payload = struct.pack('BBH', family, 0, socket.htons(resource)) + body
    return struct.pack('IHHII', 16 + len(payload), kind, flags, sequence, 0) + payload


def expression(name, *parts):
    return nest(1, attribute(1, name + b'\0'), nest(2, *parts))


def batch(port):
    table = attribute(1, b'drop\0')
    hook = nest(4, number(1, INPUT_HOOK), number(2, 0))
    load = expression(b'payload', number(1, 1), number(2, TRANSPORT_HEADER), number(3, DESTINATION_PORT), number(4, 2))
    compare = expression(b'cmp', number(1, 1), number(2, 0), nest(3, attribute(1, struct.pack('>H', port))))
    drop = expression(b'immediate', number(1, 0), nest(2, nest(2, number(1, 0))))
    asked = REQUEST | CREATE | ACKNOWLEDGE
    return b''.join([
        message(BATCH_BEGIN, REQUEST, 1, 0, resource=10),
        message(NF_TABLES | NEW_TABLE, asked, 2, IPV4, table),
        message(NF_TABLES | NEW_CHAIN, asked, 3, IPV4, table + attribute(3, b'in\0') + hook + attribute(7, b'filter\0')),
        message(NF_TABLES | NEW_RULE, asked | APPEND, 4, IPV4, table + attribute(2, b'in\0') + nest(4, load, compare, drop)),
        message(BATCH_END, REQUEST, 5, 0, resource=10),
    ])


def main():
    link = socket.socket(socket.AF_NETLINK, socket.SOCK_RAW, 12)
    link.bind((0, 0))
    link.settimeout(2)
    link.send(batch(int(sys.argv[1])))
    answered = 0
    while answered < 3:
        data = link.recv(8192)
        while data:
            length, kind = struct.unpack('IH', data[:6])
            if kind == ERROR:
                code = struct.unpack('i', data[16:20])[0]
                if code != 0:
                    sys.exit(f'refused: {code}')
                answered += 1
            data = data[length + 3 & ~3:]
    print('dropping')


main()
