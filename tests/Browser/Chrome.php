<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeDriver;
use Facebook\WebDriver\Chrome\ChromeDriverService;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\NoSuchElementException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;

/** A headless Chromium that someone sits before: it presses keys and reads what stands on the screen. */
final class Chrome
{
    public const WAIT = 12.0;

    private function __construct(public readonly ChromeDriver $driver, public readonly string $url, private readonly string $profile)
    {
    }

    public static function open(string $url, int $width = 1280, int $height = 800): self
    {
        $profile = sys_get_temp_dir().'/ash-chrome-'.bin2hex(random_bytes(6));
        $options = new ChromeOptions();
        $options->setBinary('/usr/bin/chromium');
        $options->addArguments([
            '--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking',
            '--disable-component-update', '--disable-sync', '--disable-dev-shm-usage', "--user-data-dir={$profile}", '--lang=en-GB',
        ]);
        $options->setExperimentalOption('prefs', ['intl.accept_languages' => 'en-GB']);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $port = self::freePort();
        $service = new ChromeDriverService('/usr/bin/chromedriver', $port, ["--port={$port}", '--log-level=SEVERE']);
        $driver = ChromeDriver::start($capabilities, $service);
        $driver->manage()->window()->setSize(new WebDriverDimension($width, $height + 139));
        $chrome = new self($driver, $url, $profile);
        $inner = $driver->executeScript('return window.innerHeight');
        $driver->manage()->window()->setSize(new WebDriverDimension($width, $height + 139 + $height - (is_int($inner) ? $inner : $height)));

        return $chrome;
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('no free port');
        $port = (int) substr(strrchr((string) stream_socket_get_name($socket, false), ':') ?: ':0', 1);
        fclose($socket);

        return $port;
    }

    public function close(): void
    {
        $this->driver->quit();
        exec('rm -rf '.escapeshellarg($this->profile));
    }

    public function go(string $path): void
    {
        $this->driver->get($this->url.$path);
    }

    public function signIn(string $email, string $password): void
    {
        $this->go('/');
        $this->field('E-mail')->sendKeys($email);
        $this->field('Password')->sendKeys($password.WebDriverKeys::ENTER);
        $this->see('Sign out');
        // The frame stands before the bench does, and the bench is what listens to the keys.
        $this->see('On the bench');
    }

    /** Keys go to whatever has the focus, as from a keyboard. */
    public function press(string ...$keys): void
    {
        foreach ($keys as $key) {
            $this->driver->getKeyboard()->sendKeys($key);
        }
    }

    /** Waits until the words stand on the screen. */
    public function see(string $words, float $seconds = self::WAIT): void
    {
        $this->until(fn (): bool => str_contains($this->text(), $words), "\"{$words}\" is not on the screen", $seconds);
    }

    public function seeNot(string $words): void
    {
        $this->until(fn (): bool => !str_contains($this->text(), $words), "\"{$words}\" is still on the screen");
    }

    public function text(): string
    {
        $text = $this->driver->executeScript('return document.body.innerText');

        return is_string($text) ? $text : '';
    }

    public function script(string $script, mixed ...$arguments): mixed
    {
        return $this->driver->executeScript($script, $arguments);
    }

    public function find(string $css): RemoteWebElement
    {
        return $this->wait(WebDriverBy::cssSelector($css), "there is no {$css}");
    }

    /** A field by its label, as a person finds it. */
    public function field(string $label): RemoteWebElement
    {
        $quoted = '"'.$label.'"';

        return $this->wait(WebDriverBy::xpath(
            "//*[@aria-label={$quoted}] | //*[@id=//label[normalize-space(.)={$quoted}]/@for] | //label[span[normalize-space(.)={$quoted}]]//input",
        ), "there is no field \"{$label}\"");
    }

    public function button(string $words): RemoteWebElement
    {
        return $this->wait(WebDriverBy::xpath(
            "//*[self::button or self::a][starts-with(normalize-space(.), \"{$words}\") or @aria-label=\"{$words}\"]",
        ), "there is no button \"{$words}\"");
    }

    /** @param \Closure(): bool $true */
    public function until(\Closure $true, string $otherwise, float $seconds = self::WAIT): void
    {
        $end = microtime(true) + $seconds;
        while (!$true()) {
            if (microtime(true) > $end) {
                throw new \RuntimeException("{$otherwise}. The screen says:\n{$this->text()}");
            }
            usleep(20_000);
        }
    }

    private function wait(WebDriverBy $by, string $otherwise): RemoteWebElement
    {
        $found = null;
        $this->until(function () use ($by, &$found): bool {
            try {
                $found = $this->driver->findElement($by);

                return $found->isDisplayed() || $found->isEnabled();
            } catch (NoSuchElementException|StaleElementReferenceException) {
                return false;
            }
        }, $otherwise);
        $found ?? throw new \LogicException();

        return (new RemoteWebElement(new Patient($this, $by), $found->getID(), true))->setFileDetector(new LocalFileDetector());
    }

    /** Every answer of the server comes so many milliseconds later. */
    public function delay(int $milliseconds): void
    {
        $line = new ChromeDevToolsDriver($this->driver);
        $line->execute('Network.enable');
        $line->execute(
            'Network.emulateNetworkConditions',
            ['offline' => false, 'latency' => $milliseconds, 'downloadThroughput' => -1, 'uploadThroughput' => -1],
        );
    }

    public function picture(string $file): void
    {
        usleep(400_000);
        $this->driver->takeScreenshot($file);
    }

    /** @return list<string> errors that the page wrote to its console, less failed requests, which the page shows itself */
    public function complaints(): array
    {
        $said = [];
        foreach ($this->driver->manage()->getLog('browser') as $line) {
            if (is_array($line) && ($line['level'] ?? '') === 'SEVERE' && ($line['source'] ?? '') !== 'network') {
                $said[] = is_string($line['message'] ?? null) ? $line['message'] : '';
            }
        }

        return $said;
    }
}
