<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\WebDriverBy;

/** What is asked of an element is asked of the one in its place when the page has drawn it anew in between, as a person would. */
final class Patient extends RemoteExecuteMethod
{
    public function __construct(private readonly Chrome $chrome, private readonly WebDriverBy $by)
    {
        parent::__construct($chrome->driver);
    }

    public function execute($command_name, array $parameters = [])
    {
        for ($end = microtime(true) + Chrome::WAIT;; usleep(20_000)) {
            try {
                return parent::execute($command_name, $parameters);
            } catch (StaleElementReferenceException $gone) {
                $parameters[':id'] = ($this->chrome->driver->findElements($this->by)[0] ?? null)?->getID() ?? $parameters[':id'];
                microtime(true) < $end ?: throw $gone;
            }
        }
    }
}
