<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** A likely cause as a room sees it. */
final readonly class Suspect
{
    /**
     * @param string       $why         what speaks for it, in words
     * @param ?float       $probability where the room has a model that gives one
     * @param list<string> $against     what speaks against it
     * @param ?string      $part        that is bad: memory, supply; another room's suspect with this part says more of the same
     * @param bool         $weighed     against all that is known of the symptom: such suspects are ranked first
     * @param bool         $under       says more of the one before it
     */
    public function __construct(
        public string $text,
        public string $why,
        public ?float $probability = null,
        public array $against = [],
        public ?string $part = null,
        public bool $weighed = false,
        public bool $under = false,
    ) {
    }

    private function below(): self
    {
        return new self($this->text, $this->why, $this->probability, $this->against, $this->part, under: true);
    }

    /**
     * One list: what was weighed first, each with what another room knows better of the same part under it; then what nobody weighed.
     *
     * @param list<self> $all
     *
     * @return list<self>
     */
    public static function ranked(array $all): array
    {
        $ranked = [];
        $rest = array_filter($all, static fn (self $it): bool => !$it->weighed);
        foreach (array_filter($all, static fn (self $it): bool => $it->weighed) as $it) {
            $ranked[] = $it;
            foreach ($rest as $i => $other) {
                if ($other->part !== null && $other->part === $it->part) {
                    $ranked[] = $other->below();
                    unset($rest[$i]);
                }
            }
        }

        return [...$ranked, ...array_values($rest)];
    }
}
