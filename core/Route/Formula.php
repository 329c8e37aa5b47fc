<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Point\Reference;
use Symfony\Component\ExpressionLanguage\ExpressionFunction;
use Symfony\Component\ExpressionLanguage\ExpressionLanguage;
use Symfony\Component\ExpressionLanguage\Node\ArgumentsNode;
use Symfony\Component\ExpressionLanguage\Node\BinaryNode;
use Symfony\Component\ExpressionLanguage\Node\ConditionalNode;
use Symfony\Component\ExpressionLanguage\Node\ConstantNode;
use Symfony\Component\ExpressionLanguage\Node\FunctionNode;
use Symfony\Component\ExpressionLanguage\Node\NameNode;
use Symfony\Component\ExpressionLanguage\Node\Node;
use Symfony\Component\ExpressionLanguage\Node\UnaryNode;
use Symfony\Component\ExpressionLanguage\ParsedExpression;
use Symfony\Component\ExpressionLanguage\SyntaxError;

/**
 * Arithmetic as it is typed: numbers, the value, points, and the functions that are listed; nothing else of the language
 * that reads it is let through.
 */
final class Formula
{
    public const LONGEST = 500;
    public const RULE = 'Use numbers, value, point("fixture:lantern/level"), + - * / % **, comparisons, and, or, not, a ? b : c, '
        .'and min, max, abs, round, floor, ceil, sqrt, sin, cos, between.';

    private const OPERATORS = [
        ...['+', '-', '*', '/', '%', '**'],
        ...['<', '<=', '>', '>=', '==', '!='],
        ...['and', 'or', '&&', '||', 'not', '!'],
    ];

    /** What the library says, and what we say. */
    private const WORDS = [
        '/^Unexpected token "end of expression".*/' => 'something is missing at the end',
        '/^Unexpected token "[^"]*" of value "(.*)".*/' => '"$1" stands where it does not belong',
        '/^Variable "(.*)" is not valid/' => '"$1" is not known here',
        '/^The function "(.*)" does not exist/' => 'there is no function "$1"',
    ];

    private static ?ExpressionLanguage $language = null;

    private function __construct(private readonly ParsedExpression $parsed)
    {
    }

    /** @throws \InvalidArgumentException with words for whoever typed it */
    public static function read(string $text): self
    {
        try {
            $parsed = self::language()->parse($text, ['value', 'points']);
        } catch (SyntaxError $error) {
            throw new \InvalidArgumentException(self::said($error->getMessage()));
        }
        self::check($parsed->getNodes());

        return new self($parsed);
    }

    /**
     * @param \Closure(string): float $points the value of a point, by its reference
     *
     * @return float|null null where it comes to nothing: by a division by 0, or a number without bounds
     */
    public function of(float $value, \Closure $points): ?float
    {
        try {
            $made = self::language()->evaluate($this->parsed, ['value' => $value, 'points' => $points]);
        } catch (\ArithmeticError|\TypeError) {
            return null;
        }

        $isNumber = is_numeric($made) || \is_bool($made);

        return $isNumber && is_finite((float) $made) ? (float) $made : null;
    }

    private static function check(Node $node): void
    {
        $operator = self::word($node, 'operator');
        $name = self::word($node, 'name');
        $value = $node->attributes['value'] ?? null;
        $problem = match (true) {
            $node instanceof BinaryNode, $node instanceof UnaryNode => self::problemOf(
                \in_array($operator, self::OPERATORS, true),
                "\"{$operator}\" is not known here",
            ),
            $node instanceof ConstantNode => self::problemOf(
                is_numeric($value) || \is_bool($value),
                'a text stands where a number is wanted',
            ),
            $node instanceof NameNode => self::problemOf($name === 'value', "\"{$name}\" is not known here"),
            $node instanceof FunctionNode => $name === 'point' ? self::problemOfPoint($node) : '',
            $node instanceof ConditionalNode, $node instanceof ArgumentsNode, $node::class === Node::class => '',
            default => 'something stands there that is no arithmetic',
        };
        if ($problem !== '') {
            throw new \InvalidArgumentException($problem);
        }
        $isPoint = $node instanceof FunctionNode && $name === 'point';
        foreach ($isPoint ? [] : self::inner($node) as $inner) {
            self::check($inner);
        }
    }

    private static function problemOf(bool $isFine, string $words): string
    {
        return $isFine ? '' : $words;
    }

    private static function word(Node $node, string $name): string
    {
        $word = $node->attributes[$name] ?? '';

        return \is_string($word) ? $word : '';
    }

    /** @return list<Node> */
    private static function inner(Node $node): array
    {
        return array_values(array_filter($node->nodes, static fn(mixed $one): bool => $one instanceof Node));
    }

    private static function problemOfPoint(FunctionNode $node): string
    {
        $list = self::inner($node)[0] ?? null;
        $arguments = $list === null ? [] : self::inner($list);
        $named = $arguments[0] ?? null;
        $text = $named instanceof ConstantNode && \is_string($named->attributes['value']) ? $named->attributes['value'] : '';

        return self::problemOf(
            \count($arguments) === 1 && Reference::parse($text) !== null,
            'point() wants the name of a point, like point("slot:palm-house/5")',
        );
    }

    /** What the library says of it, as somebody says it who reads formulas and no programs. */
    private static function said(string $message): string
    {
        $words = rtrim(explode(' around position', $message)[0], '.');
        $words = preg_replace(
            array_keys(self::WORDS),
            array_values(self::WORDS),
            $words,
        );

        return preg_match('/around position (\d+)/', $message, $found) === 1
            ? "{$words}, at character {$found[1]}"
            : (string) $words;
    }

    private static function language(): ExpressionLanguage
    {
        return self::$language ??= new class () extends ExpressionLanguage {
            protected function registerFunctions(): void
            {
                $numbers = [
                    'min' => static fn(float ...$all): float => min([\INF, ...$all]),
                    'max' => static fn(float ...$all): float => max([-\INF, ...$all]),
                    'abs' => static fn(float $one): float => abs($one),
                    'round' => static fn(float $one): float => round($one),
                    'floor' => static fn(float $one): float => floor($one),
                    'ceil' => static fn(float $one): float => ceil($one),
                    'sqrt' => static fn(float $one): float => sqrt($one),
                    'sin' => static fn(float $degrees): float => sin(deg2rad($degrees)),
                    'cos' => static fn(float $degrees): float => cos(deg2rad($degrees)),
                    'between' => static fn(float $one, float $low, float $high): float => max($low, min($high, $one)),
                ];
                foreach ($numbers as $name => $of) {
                    $this->addFunction(new ExpressionFunction(
                        $name,
                        static fn(): string => '0',
                        static fn(array $known, int|float|bool ...$given): float => $of(...array_map(
                            static fn(int|float|bool $one): float => (float) $one,
                            $given,
                        )),
                    ));
                }
                $this->addFunction(new ExpressionFunction(
                    'point',
                    static fn(): string => '0',
                    static function (array $known, string $reference): float {
                        $points = $known['points'] ?? null;
                        $value = $points instanceof \Closure ? $points($reference) : null;

                        return \is_float($value) ? $value : 0.0;
                    },
                ));
            }
        };
    }
}
