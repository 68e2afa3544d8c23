<?php

declare(strict_types=1);

namespace App;

use App\Http\ApiBody;
use App\Logbook\House;
use Ash\Document\Shape;
use Ash\Logbook\EntryDraft;
use Illuminate\Console\Command;
use OpenApi\Annotations\OpenApi;
use OpenApi\Annotations\Property;
use OpenApi\Generator;

/**
 * Writes docs/openapi.json: paths and answers from the attributes on controllers and cards, request bodies and entries from the shapes
 * that read them.
 *
 * @phpstan-type Schema array<string, mixed>
 */
final class DescribeApi extends Command
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE;

    protected $signature = 'ash:openapi';

    protected $description = 'Write docs/openapi.json from the code';

    public function handle(): int
    {
        file_put_contents(base_path('docs/openapi.json'), self::document());

        return self::SUCCESS;
    }

    public static function document(): string
    {
        $description = (new Generator())->generate([app_path()], validate: false);
        if (!$description instanceof OpenApi) {
            throw new \LogicException('the API describes nothing');
        }
        self::requireAll($description);
        $document = json_decode($description->toJson(), false, 512, JSON_THROW_ON_ERROR);
        if (!$document instanceof \stdClass || !($document->components ?? null) instanceof \stdClass || !($document->paths ?? null) instanceof \stdClass) {
            throw new \LogicException('the API describes nothing');
        }
        $schemas = [...get_object_vars((object) $document->components->schemas), ...self::bodies(), ...self::entries()];
        ksort($schemas, SORT_STRING);
        $document->components->schemas = (object) $schemas;
        self::wordsOf($document);
        self::nothingAmong($document->components);
        foreach (get_object_vars($document->paths) as $path) {
            self::pathsRequired($path);
        }

        return json_encode($document, self::FLAGS)."\n";
    }

    /** A card always has all its fields; what is not known is null. */
    private static function requireAll(OpenApi $description): void
    {
        foreach ($description->components->schemas as $schema) {
            if (!str_ends_with($schema->schema, 'Body') && !Generator::isDefault($schema->properties)) {
                $schema->required = array_map(static fn (Property $property): string => $property->property, $schema->properties);
            }
        }
    }

    /** A property whose type is an enumeration is described with the type of its values; the values themselves stand beside it. */
    private static function wordsOf(mixed $schema): void
    {
        $word = static fn (mixed $type): mixed => is_string($type) && enum_exists($type)
            ? ((string) (new \ReflectionEnum($type))->getBackingType() === 'int' ? 'integer' : 'string')
            : $type;
        if ($schema instanceof \stdClass && isset($schema->type)) {
            $schema->type = is_array($schema->type) ? array_map($word, $schema->type) : $word($schema->type);
        }
        foreach (is_array($schema) ? $schema : ($schema instanceof \stdClass ? get_object_vars($schema) : []) as $inner) {
            self::wordsOf($inner);
        }
    }

    /** What may be null and is one of a list has null in its list. */
    private static function nothingAmong(mixed $schema): void
    {
        if ($schema instanceof \stdClass && is_array($schema->enum ?? null) && is_array($schema->type ?? null) && in_array('null', $schema->type, true)) {
            $schema->enum = [...array_filter($schema->enum, static fn (mixed $it): bool => $it !== null), null];
        }
        foreach (is_array($schema) ? $schema : ($schema instanceof \stdClass ? get_object_vars($schema) : []) as $inner) {
            self::nothingAmong($inner);
        }
    }

    /** OpenAPI wants it said of every parameter of a path, said once here. */
    private static function pathsRequired(mixed $path): void
    {
        foreach ($path instanceof \stdClass ? get_object_vars($path) : [] as $operation) {
            foreach ($operation instanceof \stdClass && is_array($operation->parameters ?? null) ? $operation->parameters : [] as $parameter) {
                if ($parameter instanceof \stdClass && ($parameter->in ?? '') === 'path') {
                    $parameter->required = true;
                }
            }
        }
    }

    /** @return array<string, Schema> */
    private static function bodies(): array
    {
        $bodies = [];
        foreach (House::here()->rooms as $room) {
            foreach ($room->bodies() as $name => $class) {
                $bodies[$name] = Shape::of($class)->schema();
            }
        }
        foreach (self::classes() as $class) {
            $mark = (new \ReflectionClass($class))->getAttributes(ApiBody::class)[0] ?? null;
            if ($mark !== null) {
                $bodies[class_basename($class)] = self::body($class, $mark->newInstance()->file);
            }
        }

        return $bodies;
    }

    /**
     * @param class-string $class
     *
     * @return Schema
     */
    private static function body(string $class, ?string $file): array
    {
        $schema = Shape::of($class)->schema();
        if ($file !== null) {
            $schema['properties'] = [...(array) $schema['properties'], 'file' => ['type' => 'string', 'format' => 'binary', 'description' => $file]];
            $schema['required'] = [...(array) ($schema['required'] ?? []), 'file'];
        }

        return $schema;
    }

    /** @return list<class-string> */
    private static function classes(): array
    {
        $classes = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(app_path(), \FilesystemIterator::SKIP_DOTS)) as $file) {
            $class = 'App'.strtr(substr((string) $file, strlen(app_path()), -4), '/', '\\');
            if (class_exists($class)) {
                $classes[] = $class;
            }
        }

        return $classes;
    }

    /** @return array<string, Schema> the data of every kind of entry as it is handed in, and the entry itself */
    private static function entries(): array
    {
        $schemas = $refs = [];
        foreach (House::here()->hall->kinds->all as $kind) {
            $name = 'Data'.strtr(ucwords($kind->name, '_'), ['_' => '']);
            $schemas[$name] = ['description' => "of an entry \"{$kind->words}\", as it is handed in", ...Shape::of($kind->data)->schema()];
            $refs[$kind->name] = ['$ref' => "#/components/schemas/{$name}"];
        }
        $schemas['EntryBody'] = EntryDraft::schema(House::here()->hall->kinds, array_values(array_unique($refs, SORT_REGULAR)));
        $schemas['EntryDataByKind'] = [
            'description' => 'which data belong to which kind',
            'type' => 'object',
            'properties' => $refs,
            'required' => array_keys($refs),
        ];

        return $schemas;
    }
}
