<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\ShowControl as Control;

/** A command of MIDI Show Control. */
final readonly class ShowControl extends Message implements Encodable
{
    public function __construct(public Control $control)
    {
        parent::__construct(Protocol::Midi);
    }

    /** @return string the command's name, in lower case with hyphens */
    public function command(): string
    {
        return strtolower(str_replace('_', '-', $this->control->command->spelled()));
    }

    public function address(): string
    {
        return "/show-control/{$this->control->device}/{$this->command()}";
    }

    public function arguments(): array
    {
        return array_values(array_filter([$this->control->cue, $this->control->list, $this->control->path], is_string(...)));
    }

    public function fields(): array
    {
        return array_filter([
            'device' => $this->control->device,
            'format' => $this->control->format,
            'command' => $this->command(),
            'cue' => $this->control->cue,
            'list' => $this->control->list,
            'path' => $this->control->path,
            'control' => $this->control->control,
            'value' => $this->control->value,
            'macro' => $this->control->macro,
            'time' => $this->control->time?->spelled(),
        ], static fn(mixed $one): bool => $one !== null);
    }

    public function spelled(int $middleC = 4): string
    {
        return 'show control: '.$this->control->spelled();
    }

    public function encode(): string
    {
        return $this->control->message()->encode();
    }
}
