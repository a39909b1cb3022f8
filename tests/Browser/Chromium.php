<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use RuntimeException;
use Throwable;

/** Headless Chromium through its own ChromeDriver on a free loopback port. Stops with the process that started it. */
final class Chromium
{
    /** @var resource */
    private $process;

    private readonly int $port;

    /** @var list<RemoteWebDriver> */
    private array $idle = [];

    public function __construct()
    {
        $this->port = self::freePort();
        $pipes = [];
        $process = proc_open(
            ['chromedriver', "--port={$this->port}"],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );
        $this->process = is_resource($process) ? $process : throw new RuntimeException('ChromeDriver does not start.');
    }

    public function __destruct()
    {
        foreach ($this->idle as $driver) {
            $driver->quit();
        }

        proc_terminate($this->process);
    }

    /** A window in which nothing was done yet: one that was handed back, or a new one. */
    public function window(int $width = 1280, int $height = 800): RemoteWebDriver
    {
        $driver = array_pop($this->idle) ?? $this->start();
        (new ChromeDevToolsDriver($driver))->execute('Emulation.setDeviceMetricsOverride', [
            'width' => $width,
            'height' => $height,
            'deviceScaleFactor' => 1,
            'mobile' => false,
        ]);

        return $driver;
    }

    /** Another tab takes the place of all there were, and nothing is left of what the last one who used it kept. */
    public function handBack(RemoteWebDriver $driver, string $address): void
    {
        $tools = new ChromeDevToolsDriver($driver);
        $old = $driver->getWindowHandles();
        $tools->execute('Network.enable', []);
        $tools->execute('Network.emulateNetworkConditions', [
            'offline' => false, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1,
        ]);
        $tools->execute('Network.clearBrowserCookies', []);
        $tools->execute('Storage.clearDataForOrigin', ['origin' => $address, 'storageTypes' => 'all']);
        $driver->switchTo()->newWindow();
        $new = $driver->getWindowHandle();

        foreach ($old as $handle) {
            $driver->switchTo()->window($handle)->close();
        }

        $driver->switchTo()->window($new);
        // What has no focus gets none from a script either.
        (new ChromeDevToolsDriver($driver))->execute('Page.bringToFront', []);
        $driver->manage()->getLog('browser');
        $this->idle[] = $driver;
    }

    private function start(): RemoteWebDriver
    {
        $options = new ChromeOptions;
        $options->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run',
            '--disable-background-networking', '--disable-component-update', '--disable-sync',
            '--force-color-profile=srgb',
            '--user-data-dir='.sys_get_temp_dir().'/elmstone-chromium-'.bin2hex(random_bytes(6)),
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);

        return $this->connect($capabilities);
    }

    private function connect(DesiredCapabilities $capabilities): RemoteWebDriver
    {
        for ($tries = 0; ; $tries++) {
            try {
                return RemoteWebDriver::create("http://127.0.0.1:{$this->port}", $capabilities, 30_000, 60_000);
            } catch (Throwable $failure) {
                if (
                    $tries > 50
                    || (! str_contains($failure->getMessage(), 'refused')
                        && ! str_contains($failure->getMessage(), 'connect'))
                ) {
                    throw $failure;
                }

                usleep(100_000);
            }
        }
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');

        return (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
    }
}
