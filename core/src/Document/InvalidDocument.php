<?php

declare(strict_types=1);

namespace Ash\Document;

/** Input that cannot be accepted: where it is wrong (RFC 6901 pointer) and how, in words for a person. */
final class InvalidDocument extends \DomainException
{
    private function __construct(public readonly string $pointer, public readonly string $detail)
    {
        parent::__construct($pointer === '' ? $detail : "{$pointer}: {$detail}");
    }

    public static function at(string $pointer, string $detail): self
    {
        return new self($pointer, $detail);
    }

    /** For somebody who sees no document: the field's name instead of its pointer. */
    public function plainly(): string
    {
        return ltrim(str_replace('_', ' ', trim(strrchr($this->pointer, '/') ?: '', '/'))." {$this->detail}");
    }
}
