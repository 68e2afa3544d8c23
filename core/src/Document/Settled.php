<?php

declare(strict_types=1);

namespace Ash\Document;

/** A shape whose fields say something together: they are refused for it, or something is filled in from them. */
interface Settled
{
    /** @throws InvalidDocument */
    public function settled(Node $read): static;
}
