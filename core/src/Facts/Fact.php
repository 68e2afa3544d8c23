<?php

declare(strict_types=1);

namespace Ash\Facts;

/** Something that one room knows of a board and others may want to know. Neither room knows the other: both know the fact. */
interface Fact
{
}
