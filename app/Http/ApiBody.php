<?php

declare(strict_types=1);

namespace App\Http;

/** A request's body: a class with a shape (Ash\Document\Shape), from which it is read and described. */
#[\Attribute(\Attribute::TARGET_CLASS)]
final readonly class ApiBody
{
    /** @param ?string $file what file comes with it as "file", in multipart/form-data; null for none */
    public function __construct(public ?string $file = null)
    {
    }
}
