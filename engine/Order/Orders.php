<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Route\Kinds as RouteKinds;
use NimbleJunction\Engine\CommandRefused;

/** All orders that a page can give: a new one is a class, named here. */
final class Orders
{
    public const ALL = [
        Subscribe::class,
        HoldSlots::class,
        HoldParameter::class,
        HoldFan::class,
        HoldColour::class,
        Release::class,
        Explain::class,
        Lend::class,
        HandOn::class,
        SetPoint::class,
        PressPoint::class,
        FindPoints::class,
        CheckPort::class,
        Stand::class,
        WriteTrace::class,
        WhyIsItDark::class,
        SuggestParameter::class,
        WhoListens::class,
        GatherLook::class,
        PreviewValues::class,
        Foresee::class,
        Touch::class,
        SendAway::class,
        RecordTake::class,
        EndRecording::class,
        FetchTakes::class,
        TypeLine::class,
        RenderLines::class,
        SendLines::class,
        StopLines::class,
        RecordTape::class,
        ChangeTape::class,
    ];

    /**
     * @param array<mixed> $message as it came: "do", the order's own fields, and "id", which its answer repeats
     *
     * @throws CommandRefused
     */
    public static function read(array $message): Order
    {
        $class = self::classOf($message['do'] ?? null);
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        $fields = new Fields(array_diff_key($message, ['do' => 0, 'id' => 0]), '', $faults);
        $values = Reading::with(RouteKinds::all())->values($fields, $class);
        $fields->close();
        if (\count($faults) > 0) {
            $words = array_map(
                static fn(Fault $fault): string => '"'.ltrim($fault->path, '/')."\": {$fault->problem}. {$fault->allowed}",
                $faults->getArrayCopy(),
            );
            throw new CommandRefused(implode(' ', $words));
        }

        return new $class(...$values);
    }

    /**
     * @return class-string<Order>
     *
     * @throws CommandRefused
     */
    private static function classOf(mixed $word): string
    {
        if (! \is_string($word)) {
            throw new CommandRefused('"do" must be a text.');
        }
        foreach (self::ALL as $class) {
            if ($class::kind() === $word) {
                return $class;
            }
        }
        $known = implode(', ', array_map(static fn(string $class): string => $class::kind(), self::ALL));
        throw new CommandRefused("This command is not known. Known are: {$known}.");
    }
}
