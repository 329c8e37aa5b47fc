<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\PollReply;

/**
 * What we answer to polls: every port-address of the show, in pages of up to
 * four that share Net and Sub-Net, as the packet has room for (Art-Net 4,
 * "ArtPollReply", from memory).
 */
final readonly class PollReplies
{
    private const IN_A_PAGE = 4;

    /** The packet numbers its pages in one byte. */
    private const MOST_PAGES = 255;

    /** @param string $mark what tells our own replies from those of another junction */
    public function __construct(private Show $show, private Identity $identity, private string $mark)
    {
    }

    /**
     * The same pages as they leave from another address of ours.
     *
     * @param list<array{bytes: string, addresses: list<int>}> $pages
     *
     * @return list<array{bytes: string, addresses: list<int>}>
     */
    public static function from(string $address, array $pages): array
    {
        $bytes = (string) inet_pton($address);

        return array_map(static function (array $page) use ($bytes): array {
            foreach (PollReply::ADDRESS_AT as $offset) {
                $page['bytes'] = substr_replace($page['bytes'], $bytes, $offset, 4);
            }

            return $page;
        }, $pages);
    }

    /** @return list<array{bytes: string, addresses: list<int>}> */
    public function pages(string $address): array
    {
        $pages = [];
        foreach ($this->show->ports as $port) {
            if ($port->protocol !== Protocol::ArtNet) {
                continue;
            }
            foreach ($this->numbers($port) as [$makes, $numbers]) {
                foreach ($this->chunks($numbers) as $chunk) {
                    $pages[] = [$port->name, $makes, $chunk];
                }
            }
        }
        $replies = [];
        foreach (\array_slice($pages, 0, self::MOST_PAGES) as $i => [$name, $makes, $chunk]) {
            $reply = new PollReply(
                $address,
                $this->identity->name,
                "{$this->identity->name}: {$name}",
                array_map(static fn(int $number): NodePort => $makes($number & 15), $chunk),
                $chunk[0] >> 8,
                $chunk[0] >> 4 & 15,
                $i + 1,
                "#0001 [0000] all is well {$this->mark}",
                style: 1,
            );
            $replies[] = ['bytes' => $reply->encode(), 'addresses' => $chunk];
        }

        return $replies;
    }

    /**
     * Seen from the node, what it takes from the network is its output to a line.
     *
     * @return list<array{\Closure(int): NodePort, list<int>}>
     */
    private function numbers(PortEntry $port): array
    {
        return [
            [NodePort::output(...), $port->receives() ? array_column($port->receive->feeds ?? [], 'number') : []],
            [NodePort::input(...), $port->sends() ? array_column($port->send->carries ?? [], 'number') : []],
        ];
    }

    /**
     * @param list<int> $numbers
     *
     * @return list<non-empty-list<int>>
     */
    private function chunks(array $numbers): array
    {
        $numbers = array_values(array_unique($numbers));
        sort($numbers);
        $chunks = [];
        foreach ($numbers as $number) {
            $page = array_pop($chunks);
            if ($page !== null && \count($page) < self::IN_A_PAGE && $page[0] >> 4 === $number >> 4) {
                $chunks[] = [...$page, $number];
            } else {
                array_push($chunks, ...($page === null ? [[$number]] : [$page, [$number]]));
            }
        }

        return $chunks;
    }
}
