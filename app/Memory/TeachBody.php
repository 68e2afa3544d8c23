<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\Text;
use Ash\Memory\LineRole;
use Ash\Memory\LineSort;

/** A line of a test, and what its words say. */
#[ApiBody]
final readonly class TeachBody
{
    /**
     * @param list<LineMark> $marks
     * @param ?string        $id     made by the client, to keep it; null: only tried
     * @param ?bool          $tester kept with the tester; else with the machine
     */
    public function __construct(
        #[Text(400)]
        public string $line,
        public LineSort $sort,
        #[ListOf(LineMark::class)]
        public array $marks = [],
        #[Id]
        public ?string $id = null,
        public ?bool $tester = null,
    ) {
    }

    /** @return array<int, LineRole> */
    public function byWord(): array
    {
        $roles = [];
        foreach ($this->marks as $mark) {
            $roles[$mark->word] = $mark->role;
        }

        return $roles;
    }
}
