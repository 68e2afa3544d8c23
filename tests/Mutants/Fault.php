<?php

declare(strict_types=1);

namespace Tests\Mutants;

/** One place of a file with something else in it. */
final readonly class Fault
{
    public function __construct(
        public string $file,
        public int $line,
        private int $from,
        private int $to,
        private string $new,
        private string $says,
        private string $old,
    ) {
    }

    public function code(): string
    {
        $code = (string) file_get_contents($this->file);

        return substr($code, 0, $this->from).$this->new.substr($code, $this->to);
    }

    public function words(): string
    {
        return sprintf('%s:%d %s: %s', $this->file, $this->line, $this->says, mb_strimwidth((string) preg_replace('/\s+/', ' ', $this->old), 0, 100, '…'));
    }
}
