<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Refused;
use Ash\Document\Json;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** Checks a document against its published schema in docs/formats and tells every fault, not only the first. */
final readonly class Schema
{
    private const MAX_FAULTS = 50;

    /** @throws Refused|\Ash\Document\InvalidDocument */
    public static function check(string $json, string $name): void
    {
        $schema = file_get_contents(base_path("docs/formats/{$name}.schema.json"));
        $validator = new Validator();
        $validator->setMaxErrors(self::MAX_FAULTS);
        $validator->setStopAtFirstError(false);
        $error = $validator->validate(Json::parse($json), (string) $schema)->error();
        $faults = $error === null ? [] : self::faults($error);
        if ($faults !== []) {
            throw new Refused($faults);
        }
    }

    /** @return list<array{pointer: string, detail: string}> */
    private static function faults(ValidationError $error): array
    {
        $faults = [];
        foreach ((new ErrorFormatter())->format($error, true) as $pointer => $details) {
            foreach (is_array($details) ? $details : [] as $detail) {
                $faults[] = ['pointer' => $pointer === '/' ? '' : (string) $pointer, 'detail' => is_string($detail) ? lcfirst($detail) : 'does not fit the schema'];
            }
        }

        return $faults;
    }
}
