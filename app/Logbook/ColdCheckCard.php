<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\ColdCheck;
use Ash\Logbook\Entries\ColdChecked;
use Ash\Logbook\Stage;
use OpenApi\Attributes as OA;

/** One of the cold checks, and who made it last. */
#[OA\Schema]
final readonly class ColdCheckCard
{
    public function __construct(
        #[OA\Property(enum: ColdCheck::class)]
        public ColdCheck $check,
        #[OA\Property()]
        public string $words,
        #[OA\Property(description: 'what it found; null when it is well or not made yet')]
        public ?string $wrong,
        #[OA\Property(description: 'null: not made yet')]
        public ?string $entry_id,
        #[OA\Property()]
        public ?string $author,
        #[OA\Property()]
        public ?string $at,
    ) {
    }

    /**
     * @param list<EntryCard> $entries of a job, in time order
     *
     * @return list<self> none while the work is elsewhere and nobody has made one
     */
    public static function all(array $entries, Stage $stage): array
    {
        $last = [];
        foreach ($entries as $entry) {
            if ($entry->kind === ColdChecked::KIND && $entry->corrected_by === null && is_string($entry->data->check ?? null)) {
                $last[$entry->data->check] = $entry;
            }
        }

        if ($last === [] && !in_array($stage, [Stage::Supply, Stage::ColdChecks, Stage::FirstPower], true)) {
            return [];
        }

        return array_map(static function (ColdCheck $it) use ($last): self {
            $entry = $last[$it->value] ?? null;
            $wrong = $entry?->data->wrong ?? null;

            return new self($it, $it->words(), is_string($wrong) ? $wrong : null, $entry?->id, $entry?->author, $entry?->at);
        }, ColdCheck::cases());
    }
}
