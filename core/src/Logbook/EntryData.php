<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * The structured part of an entry: a readonly class whose constructor is its shape (Ash\Document\Shape). It is read once and stays typed;
 * fields that the record adds when it takes the entry are marked Kept.
 */
interface EntryData
{
    /**
     * The entry in words, the same on screen, on paper and in exports. Words that were written beside it are added by the record, except
     * where the kind says that its sentence has them already.
     */
    public function sentence(string $text): string;
}
