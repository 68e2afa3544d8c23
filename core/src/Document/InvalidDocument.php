<?php

declare(strict_types=1);

namespace Ash\Document;

/** Input that cannot be accepted: where it is wrong (RFC 6901 pointer) and how, in words for a person. */
final class InvalidDocument extends \DomainException
{
    /** @param bool $forbidden it is understood, and must not be: it is not to be kept as something merely said */
    private function __construct(public readonly string $pointer, public readonly string $detail, public readonly bool $forbidden = false)
    {
        parent::__construct($pointer === '' ? $detail : "{$pointer}: {$detail}");
    }

    public static function at(string $pointer, string $detail): self
    {
        return new self($pointer, $detail);
    }

    public static function forbidden(string $pointer, string $detail): self
    {
        return new self($pointer, $detail, true);
    }

    /** For somebody who sees no document: the field's name instead of its pointer. */
    public function plainly(): string
    {
        return ltrim(str_replace('_', ' ', trim(strrchr($this->pointer, '/') ?: '', '/'))." {$this->detail}");
    }
}
