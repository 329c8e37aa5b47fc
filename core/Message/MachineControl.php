<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\MachineControl as Control;

/** A command of MIDI Machine Control. */
final readonly class MachineControl extends Message implements Encodable
{
    public function __construct(public Control $control)
    {
        parent::__construct(Protocol::Midi);
    }

    /** @return string the command's name, in lower case with hyphens */
    public function command(): string
    {
        return strtolower((string) preg_replace('/(?<=[a-z])(?=[A-Z])/', '-', $this->control->command->name));
    }

    public function address(): string
    {
        return "/machine-control/{$this->control->device}/{$this->command()}";
    }

    public function arguments(): array
    {
        return $this->control->target === null ? [] : [$this->control->target->spelled()];
    }

    public function fields(): array
    {
        return array_filter([
            'device' => $this->control->device,
            'command' => $this->command(),
            'target' => $this->control->target?->spelled(),
        ], static fn(mixed $one): bool => $one !== null);
    }

    public function spelled(int $middleC = 4): string
    {
        $target = $this->control->target === null ? '' : " to {$this->control->target->spelled()}";

        return "machine control: {$this->command()}{$target}, "
            .($this->control->device === 127 ? 'everyone' : "device {$this->control->device}");
    }

    public function encode(): string
    {
        return $this->control->message()->encode();
    }
}
