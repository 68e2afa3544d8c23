<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Console\Command;
use OpenApi\Annotations\OpenApi;
use OpenApi\Annotations\Property;
use OpenApi\Generator;

/** Writes docs/openapi.json from the attributes on controllers and cards. */
final class DescribeApi extends Command
{
    protected $signature = 'ash:openapi';
    protected $description = 'Write docs/openapi.json from the code';

    public function handle(): int
    {
        file_put_contents(base_path('docs/openapi.json'), self::document());

        return self::SUCCESS;
    }

    public static function document(): string
    {
        $description = (new Generator())->generate([app_path()]);
        if (!$description instanceof OpenApi) {
            throw new \LogicException('the API describes nothing');
        }
        self::requireAll($description);

        return $description->toJson(JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";
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
}
