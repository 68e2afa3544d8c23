<?php

declare(strict_types=1);

namespace Ash\Document;

/** How the value of one field is read from outside, taken up again from what was stored, written, and described. */
interface Rule
{
    /** @throws InvalidDocument with the pointer of what is wrong */
    public function read(Node $node): mixed;

    /** What write() gave, or an older writing of it. Trusts the shape: a wrong type ends in an error of PHP's own. */
    public function revive(mixed $stored): mixed;

    /** @return mixed as json_encode() takes it */
    public function write(mixed $value): mixed;

    /** @return mixed the same with all fields of documents within, also those that are null or empty */
    public function whole(mixed $value): mixed;

    /** @return array<string, mixed> JSON Schema (draft 2020-12) */
    public function schema(): array;
}
