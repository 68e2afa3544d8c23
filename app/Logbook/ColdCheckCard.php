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

    /** @return list<self> none while the work is elsewhere and nobody has made one */
    public static function all(string $job, Stage $stage): array
    {
        $last = [];
        foreach (Entry::standing(ColdChecked::KIND)->where('job_id', $job)->orderBy('at')->orderBy('id')->get() as $entry) {
            $it = $entry->as(ColdChecked::class);
            if ($it !== null) {
                $last[$it->check->value] = $entry;
            }
        }

        if ($last === [] && !in_array($stage, [Stage::Supply, Stage::ColdChecks, Stage::FirstPower], true)) {
            return [];
        }

        return array_map(static function (ColdCheck $it) use ($last): self {
            $entry = $last[$it->value] ?? null;

            return new self($it, $it->words(), $entry?->as(ColdChecked::class)?->wrong, $entry?->id, $entry?->by(), $entry?->at->format(Cards::TIME));
        }, ColdCheck::cases());
    }
}
