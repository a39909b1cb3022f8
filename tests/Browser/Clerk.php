<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Assert;

/** Someone at a till: what they press and what they see. */
final class Clerk
{
    private const FINGER_US = 110_000;

    public function __construct(public readonly RemoteWebDriver $browser, private readonly string $address)
    {
    }

    public function signIn(string $number, int $till = 1): self
    {
        if ($this->go('/sign-in')->isIn()) {
            return $this;
        }

        $this->browser->executeScript('document.getElementById("till").value = arguments[0]', [(string) $till]);
        $this->browser->findElement(WebDriverBy::id('number'))->sendKeys($number);
        $this->browser->findElement(WebDriverBy::id('pin'))->sendKeys("4{$number}".WebDriverKeys::ENTER);

        return $this->await($this->isIn(...), 'the counter');
    }

    /** @phpstan-impure */
    private function isIn(): bool
    {
        return str_contains($this->browser->getCurrentURL(), '/counter/');
    }

    public function go(string $path): self
    {
        $this->browser->get($this->address.$path);

        return $this;
    }

    /** Keys into whatever has the focus, as a keyboard would. */
    public function press(string ...$keys): self
    {
        foreach ($keys as $key) {
            // Fingers take longer to the Enter than a scanner does.
            in_array($key, [WebDriverKeys::ENTER, WebDriverKeys::TAB], true) && usleep(self::FINGER_US);
            $this->browser->switchTo()->activeElement()->sendKeys($key);
        }

        return $this;
    }

    /**
     * What the scanner sends, to wherever the hand is: each key after so many milliseconds, and at the end what it is
     * set to end with.
     *
     * @param  list<'Enter'|'Tab'>  $suffix
     */
    public function reads(string $code, int $each = 10, array $suffix = ['Enter']): self
    {
        usleep(self::FINGER_US);
        $tools = new ChromeDevToolsDriver($this->browser);
        $at = microtime(true);
        $ends = ['Enter' => ["\r", 13], 'Tab' => ['', 9]];

        foreach ([...mb_str_split($code), ...$suffix] as $key) {
            [$text, $number] = $ends[$key] ?? [$key, 0];
            $at += $each / 1000;
            $event = ['key' => $key, 'windowsVirtualKeyCode' => $number, 'timestamp' => $at];
            $tools->execute('Input.dispatchKeyEvent', [
                'type' => $text === '' ? 'rawKeyDown' : 'keyDown',
                ...$event,
                ...$text === '' ? [] : ['text' => $text],
            ]);
            $tools->execute('Input.dispatchKeyEvent', ['type' => 'keyUp', ...$event]);
        }

        return $this;
    }

    public function scan(string ...$codes): self
    {
        foreach ($codes as $code) {
            $this->browser->findElement(WebDriverBy::id('entry'))->sendKeys($code.WebDriverKeys::ENTER);
        }

        return $this;
    }

    public function ctrlEnter(): self
    {
        return $this->together(['Control', 17, 2], ['Enter', 13]);
    }

    public function alt(string $letter): self
    {
        return $this->together(['Alt', 18, 1], [$letter, $letter === '.' ? 190 : ord(strtoupper($letter))]);
    }

    /**
     * Two keys at once, to wherever the hand is, as a keyboard sends them: also while the field there is drawn again.
     *
     * @param  array{string, int, int}  $held its name, its number, and its bit among what is held down
     * @param  array{string, int}  $pressed
     */
    private function together(array $held, array $pressed): self
    {
        $tools = new ChromeDevToolsDriver($this->browser);
        [$name, $number, $bit] = $held;

        foreach (
            [
                ['rawKeyDown', $name, $number, $bit],
                ['rawKeyDown', ...$pressed, $bit],
                ['keyUp', ...$pressed, $bit],
                ['keyUp', $name, $number, 0],
            ] as [$type, $key, $code, $modifiers]
        ) {
            $tools->execute('Input.dispatchKeyEvent', [
                'type' => $type,
                'key' => $key,
                'windowsVirtualKeyCode' => $code,
                'modifiers' => $modifiers,
            ]);
        }

        return $this;
    }

    public function click(string $css): self
    {
        $element = $this->still()->shown($css);
        $this->browser->executeScript('arguments[0].scrollIntoView({ block: "nearest", behavior: "instant" })', [
            $element,
        ]);
        $element->click();

        return $this;
    }

    public function type(string $css, string $text): self
    {
        $this->still()->shown($css)->sendKeys($text);

        return $this;
    }

    /** Puts a text in place of what stands in a field, and leaves it by Enter. */
    public function fill(string $css, string $text): self
    {
        $field = $this->still()->shown($css);
        $field->click();
        $field->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $field->sendKeys($text);
        usleep(self::FINGER_US);
        $field->sendKeys(WebDriverKeys::ENTER);

        return $this;
    }

    /** Looks before the hand moves: waits until everything done so far stands on the page. */
    private function still(): self
    {
        return $this->await(
            fn (): bool => $this->browser->executeScript('return document.body.ariaBusy') !== 'true',
            'the page to be still',
        );
    }

    private function shown(string $css): RemoteWebElement
    {
        $this->await(fn (): bool => $this->browser->findElements(WebDriverBy::cssSelector($css)) !== [], $css);

        return $this->browser->findElement(WebDriverBy::cssSelector($css));
    }

    /** Signs with the mouse. */
    public function sign(string $css): self
    {
        (new WebDriverActions($this->browser))
            ->moveToElement($this->still()->shown($css), -110, 10)
            ->clickAndHold()
            ->moveByOffset(18, -30)
            ->moveByOffset(12, 34)
            ->moveByOffset(20, -24)
            ->moveByOffset(24, 20)
            ->moveByOffset(40, -16)
            ->release()
            ->perform();

        return $this;
    }

    public function text(string $css): string
    {
        $found = $this->browser->findElements(WebDriverBy::cssSelector($css));

        return $found === [] ? '' : trim($found[0]->getText());
    }

    /** Where the page is, with what was asked of it. */
    public function path(): string
    {
        $at = parse_url($this->browser->getCurrentURL());

        return ($at['path'] ?? '/').(isset($at['query']) ? "?{$at['query']}" : '');
    }

    /** @phpstan-impure */
    public function attribute(string $css, string $name): string
    {
        return (string) $this->browser->findElement(WebDriverBy::cssSelector($css))->getAttribute($name);
    }

    /** @phpstan-impure */
    public function count(string $css): int
    {
        return count($this->browser->findElements(WebDriverBy::cssSelector($css)));
    }

    /** How wide it is with all that is in it, pixels. */
    public function width(string $css): int
    {
        return (int) $this->browser->executeScript('return document.querySelector(arguments[0]).scrollWidth', [$css]);
    }

    /** @phpstan-impure */
    public function focus(): string
    {
        return (string) $this->browser->executeScript('return document.activeElement?.id ?? ""');
    }

    /** What a reader is told where the hand is. */
    public function says(): string
    {
        return (string) $this->browser->executeScript(
            'return document.activeElement?.textContent ?? ""',
        );
    }

    public function awaitText(string $css, string $text): self
    {
        return $this->await(fn (): bool => str_contains($this->text($css), $text), "“{$text}” in {$css}");
    }

    /** Until the hand is at how many of the first line come back, and no longer where the receipt was looked for. */
    public function awaitFirstQuantity(): self
    {
        return $this->await(fn (): bool => preg_match('/^back-\d+-\d+$/', $this->focus()) === 1, 'the first quantity');
    }

    /** @param  callable(): bool  $true */
    public function await(callable $true, string $what): self
    {
        $seen = false;

        for ($tries = 0; ! $seen && $tries < 160; $tries++) {
            try {
                $seen = $true();
            } catch (WebDriverException) {
                // The page is being redrawn; look again.
            }

            $seen || usleep(50_000);
        }

        Assert::assertTrue($seen, "Waited in vain for {$what}.");

        return $this;
    }
}
