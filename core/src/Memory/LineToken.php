<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Text;

/** One word of a line's pattern: a word that stands there, a role, or, with neither, any number. */
final readonly class LineToken
{
    public function __construct(#[Text(60)] public ?string $word = null, public ?LineRole $role = null)
    {
    }

    public function matches(string $token): bool
    {
        return match (true) {
            $this->word !== null => strcasecmp($this->word, $token) === 0,
            $this->role !== null && $this->role !== LineRole::Chip && $this->role !== LineRole::Bank => preg_match('/^[$]?[0-9A-Za-z]+$/D', $token) === 1,
            $this->role !== null => true,
            default => preg_match('/\d/', $token) === 1,
        };
    }

    public function words(): string
    {
        return $this->word ?? ($this->role === null ? '[any number]' : "[{$this->role->words()}]");
    }
}
