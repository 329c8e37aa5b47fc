<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Headless Chromium, driven through ChromeDriver. */
final class Chrome
{
    public RemoteWebDriver $driver;
    private Background $chromeDriver;
    private string $chromeDriverUrl;
    private string $profile;

    public function __construct(int $width = 1280, int $height = 800)
    {
        $port = Background::freePort();
        $this->profile = sys_get_temp_dir().'/junction-chrome-'.bin2hex(random_bytes(6));
        mkdir($this->profile);
        // What the browser puts aside goes with its profile.
        $this->chromeDriver = new Background(['chromedriver', "--port={$port}", '--log-level=SEVERE'], ['TMPDIR' => $this->profile]);
        // Its first start takes several seconds: it is ready when its status says so.
        Background::until(static fn(): bool => self::isReady($port), 'ChromeDriver being ready', 60);
        $this->chromeDriverUrl = "http://127.0.0.1:{$port}";
        $this->driver = $this->begin($width, $height);
        $this->size($width, $height);
    }

    /** Closed and started again, with what it kept. */
    public function restart(int $width = 1280, int $height = 800): void
    {
        $this->driver->quit();
        $this->driver = $this->begin($width, $height);
        $this->size($width, $height);
    }

    private function begin(int $width, int $height): RemoteWebDriver
    {
        $options = (new ChromeOptions())->addArguments([
            '--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--disable-dev-shm-usage',
            "--user-data-dir={$this->profile}/user",
            "--window-size={$width},{$height}",
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);

        return RemoteWebDriver::create($this->chromeDriverUrl, $capabilities, 120_000, 120_000);
    }

    /** The window's own frame takes room: what counts is the page inside. */
    public function size(int $width, int $height): void
    {
        (new ChromeDevToolsDriver($this->driver))->execute(
            'Emulation.setDeviceMetricsOverride',
            ['width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => false],
        );
    }

    public function login(DemoStack $demo, string $name): void
    {
        $this->driver->get($demo->url('/login'));
        $this->find('input[name=name]')->sendKeys($name);
        $this->find('input[name=password]')->sendKeys('night-walk');
        $this->find('button[type=submit]')->click();
        $this->find('main#main');
    }

    /** Logging out is over when the page asks who is there: who goes elsewhere before that is still logged in. */
    public function logout(): void
    {
        $this->press('Log out', 'nav.rail');
        try {
            $this->find('input[name=name]');
        } catch (\RuntimeException) {
            // The page still stands there, because the web server was too busy and it says so, or it moved under the finger: once more.
            $this->press('Log out', 'nav.rail');
            $this->find('input[name=name]');
        }
    }

    /** Runs a script in every page from now on, before the page's own. */
    public function before(string $script): void
    {
        (new ChromeDevToolsDriver($this->driver))->execute('Page.addScriptToEvaluateOnNewDocument', ['source' => $script]);
    }

    /** Waits for an element. */
    public function find(string $css, float $seconds = Background::PATIENCE): RemoteWebElement
    {
        return Background::until(
            fn(): ?RemoteWebElement => $this->driver->findElements(WebDriverBy::cssSelector($css))[0] ?? null,
            "\"{$css}\" on the page",
            $seconds,
        );
    }

    /** A button or link by the words on it. */
    public function press(string $words, string $within = 'body'): void
    {
        Background::until(function () use ($words, $within): bool {
            try {
                return $this->pressNow('"'.$words.'"', $within);
            } catch (StaleElementReferenceException|ElementClickInterceptedException) {
                // The page drew it anew in between: look again.
                return false;
            }
        }, "A button \"{$words}\"");
    }

    /** Writes over what a field holds, as a person would. */
    public function fill(string $css, string $text): void
    {
        $this->find($css)->sendKeys([WebDriverKeys::CONTROL, 'a', WebDriverKeys::NULL, $text]);
    }

    public function untilText(string $css, string $words, float $seconds = Background::PATIENCE): string
    {
        $seen = '';
        try {
            return Background::until(function () use ($css, $words, &$seen): ?string {
                try {
                    $texts = array_map(
                        static fn(RemoteWebElement $element): string => $element->getText(),
                        $this->driver->findElements(WebDriverBy::cssSelector($css)),
                    );
                } catch (StaleElementReferenceException) {
                    return null;
                }
                $seen = implode("\n", $texts);

                return str_contains($seen, $words) ? $seen : null;
            }, "\"{$words}\" in \"{$css}\"", $seconds);
        } catch (\RuntimeException $exception) {
            throw new \RuntimeException("{$exception->getMessage()} It showed: {$seen}");
        }
    }

    public function picture(string $path): void
    {
        $this->driver->takeScreenshot($path);
    }

    private function pressNow(string $literal, string $within): bool
    {
        foreach ($this->driver->findElements(WebDriverBy::cssSelector($within)) as $room) {
            foreach ($room->findElements(WebDriverBy::xpath(
                ".//*[self::button or self::a][contains(normalize-space(.), {$literal})]",
            )) as $element) {
                if ($element->isDisplayed() && $element->isEnabled()) {
                    $this->driver->executeScript('arguments[0].scrollIntoView({block: "center"})', [$element]);
                    $element->click();

                    return true;
                }
            }
        }

        return false;
    }

    private static function isReady(int $port): bool
    {
        $request = curl_init("http://127.0.0.1:{$port}/status");
        curl_setopt_array($request, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 2]);

        return str_contains((string) curl_exec($request), '"ready":true');
    }

    public function quit(): void
    {
        $this->driver->quit();
        $this->chromeDriver->stop();
        (new \Symfony\Component\Process\Process(['rm', '-rf', $this->profile]))->run();
    }
}
