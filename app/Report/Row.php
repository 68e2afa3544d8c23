<?php

declare(strict_types=1);

namespace App\Report;

/** A row of a report's section. */
final readonly class Row
{
    /** What a picture weighs on paper beside a line of text. */
    private const PICTURE = 4;

    /**
     * @param list<string>  $cells
     * @param bool          $bad      the last cell says that something is out; it is marked, in words too
     * @param string        $small    what stands behind the last cell
     * @param list<Picture> $pictures
     */
    public function __construct(public array $cells, public bool $bad = false, public string $small = '', public array $pictures = [])
    {
    }

    public function weight(): int
    {
        return 1 + self::PICTURE * count($this->pictures);
    }
}
