<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Show\Upgrades;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** Holds a document that comes from outside against the published JSON Schema, and then against what a schema cannot say. */
final class SchemaCheck
{
    /**
     * @return array<string, mixed>
     *
     * @throws ShowRefused
     */
    public static function read(string $json): array
    {
        // Our own reader knows the words of the trade, so it speaks first.
        ShowReader::fromJson($json);
        $validator = new Validator();
        $validator->setMaxErrors(20);
        // Objects stay objects: an upgrade is a matter of the names at the top.
        $newest = (object) Upgrades::toNewest((array) json_decode($json));
        $result = $validator->validate($newest, (string) file_get_contents(base_path('schema/show.schema.json')));
        $error = $result->error();
        if ($error !== null) {
            $faults = self::faults($error);
            throw ShowRefused::because(
                $faults === [] ? [new Fault('', $error->message(), 'See schema/show.schema.json.')] : $faults,
            );
        }

        return Upgrades::toNewest(json_decode($json, true));
    }

    /** @return list<Fault> */
    private static function faults(ValidationError $error): array
    {
        $formatter = new ErrorFormatter();
        $faults = [];
        foreach ($formatter->format($error, true) as $path => $messages) {
            foreach ((array) $messages as $message) {
                $faults[] = new Fault($path === '/' ? '' : (string) $path, (string) $message, 'See schema/show.schema.json.');
            }
        }

        return $faults;
    }
}
