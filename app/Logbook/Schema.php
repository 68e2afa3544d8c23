<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Refused;
use Ash\Document\Json;
use Ash\Document\Pointer;
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

    /** @return list<array{pointer: string, detail: string}> the leaves of the tree of errors */
    private static function faults(ValidationError $error): array
    {
        if ($error->subErrors() !== []) {
            return array_merge(...array_map(self::faults(...), array_values($error->subErrors())));
        }
        $detail = $error->keyword() === 'additionalProperties' ? self::unknown($error) : lcfirst((new ErrorFormatter())->formatErrorMessage($error));

        return $detail === null ? [] : [['pointer' => Pointer::of(array_values(array_map(strval(...), $error->data()->fullPath()))), 'detail' => $detail]];
    }

    /** Next to a wrong property the validator counts all its siblings as additional; only those that the schema does not know are. */
    private static function unknown(ValidationError $error): ?string
    {
        $schema = $error->schema()->info()->data();
        $known = is_object($schema) && is_object($schema->properties ?? null) ? array_keys(get_object_vars($schema->properties)) : [];
        $given = $error->args()['properties'] ?? [];
        $unknown = array_diff(
            is_array($given) ? array_map(static fn (mixed $name): string => is_scalar($name) ? (string) $name : '', $given) : [],
            array_map(strval(...), $known),
        );

        return $unknown === [] ? null : 'has fields that this format does not know: '.implode(', ', $unknown);
    }
}
