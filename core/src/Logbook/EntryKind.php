<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** A kind of entry in the record, as the room brings it that it belongs to. */
final readonly class EntryKind
{
    /** The number of the form in which data without a number were written: the first one. */
    public const FIRST_FORM = 1;

    /**
     * @param string                                     $name       as it is stored
     * @param string                                     $words      for people
     * @param class-string<EntryData>                    $data       its type and shape
     * @param ?string                                    $attack     the line of attack it works on; null for what belongs to none
     * @param ?Stage                                     $stage      whose work it is; null for what is done at any stage
     * @param array<string, string>                      $saidAnew   what a correction says anew: labels by field of its data
     * @param list<string>                               $keptAsSaid fields that a correction takes over from the entry it corrects
     * @param int                                        $form       the number of the form that the type writes
     * @param array<int, \Closure(\stdClass): \stdClass> $older      from a form to the next one, by the number of the older
     */
    public function __construct(
        public string $name,
        public string $words,
        public string $data,
        public Spoken $spoken = Spoken::Beside,
        public Weight $weight = Weight::Neither,
        public ?string $attack = null,
        public array $saidAnew = [],
        public array $keptAsSaid = [],
        public int $form = self::FIRST_FORM,
        public array $older = [],
        public ?Stage $stage = null,
    ) {
    }
}
