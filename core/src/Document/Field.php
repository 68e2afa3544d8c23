<?php

declare(strict_types=1);

namespace Ash\Document;

use Ash\Document\Field\Flag;

/** One field of a shape. */
final readonly class Field
{
    /**
     * @param string $parameter      of the constructor
     * @param string $name           in the document
     * @param bool   $optional       may be left out
     * @param bool   $nullable       null stands for nothing
     * @param bool   $emptyIsNothing so does an empty text, as a form sends it
     * @param bool   $kept           not handed in
     * @param bool   $writtenEmpty   an empty list is written too
     */
    private function __construct(
        public string $parameter,
        public string $name,
        public Rule $rule,
        public bool $optional,
        public bool $hasDefault,
        public bool $nullable,
        public bool $emptyIsNothing,
        public bool $kept,
        public bool $writtenEmpty,
    ) {
    }

    public static function of(\ReflectionParameter $parameter): self
    {
        $type = $parameter->getType();
        $nullable = $parameter->getAttributes(OrNull::class)[0] ?? null;

        return new self(
            parameter: $parameter->getName(),
            name: strtolower(preg_replace('/(?<=[a-z0-9])[A-Z]/', '_$0', $parameter->getName()) ?? ''),
            rule: self::rule($parameter),
            optional: $parameter->isDefaultValueAvailable() || ($type !== null && $type->allowsNull()),
            hasDefault: $parameter->isDefaultValueAvailable(),
            nullable: $nullable !== null,
            emptyIsNothing: $nullable?->newInstance()->emptyToo ?? false,
            kept: $parameter->getAttributes(Kept::class) !== [],
            writtenEmpty: $parameter->getAttributes(WrittenEmpty::class) !== [],
        );
    }

    /** @return array<string, mixed> JSON Schema (draft 2020-12) */
    public function schema(): array
    {
        $schema = $this->rule->schema();
        if ($this->nullable && is_string($schema['type'] ?? null)) {
            $schema['type'] = [$schema['type'], 'null'];
        }
        if ($this->nullable && is_array($schema['enum'] ?? null)) {
            $schema['enum'] = [...$schema['enum'], null];
        }

        return $schema;
    }

    private static function rule(\ReflectionParameter $parameter): Rule
    {
        foreach ($parameter->getAttributes(Rule::class, \ReflectionAttribute::IS_INSTANCEOF) as $attribute) {
            return $attribute->newInstance();
        }
        $type = $parameter->getType();
        if ($type instanceof \ReflectionNamedType && $type->getName() === 'bool') {
            return new Flag();
        }
        if ($type instanceof \ReflectionNamedType && class_exists($type->getName())) {
            return Shape::rule($type->getName());
        }
        throw new \LogicException("no rule for {$parameter->getName()} of {$parameter->getDeclaringClass()?->getName()}");
    }
}
