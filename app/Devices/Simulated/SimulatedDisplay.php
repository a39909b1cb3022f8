<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Elmstone\Devices\CustomerDisplay;
use Elmstone\Devices\DeviceChoices;
use Elmstone\Devices\DisplayContent;
use Elmstone\Shop\DeviceKind;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\Cache;

/** A page that follows what it is shown. What it shows is worth nothing a moment later, and is kept so long only. */
final readonly class SimulatedDisplay implements CustomerDisplay
{
    /** Seconds that somebody may take to sign. */
    private const WAITS = 300;

    public function __construct(private DeviceChoices $choices)
    {
    }

    public function show(Till $till, DisplayContent $content): void
    {
        $till = $this->choices->at($till, DeviceKind::Display);
        Cache::put("display:{$till->id}", (array) $content, $content->seconds());
    }

    public function rest(Till $till): void
    {
        $till = $this->choices->at($till, DeviceKind::Display);
        self::showing($till)->thanks || Cache::forget("display:{$till->id}");
    }

    public static function showing(Till $till): DisplayContent
    {
        $content = Cache::get("display:{$till->id}");

        return is_array($content) ? new DisplayContent(...$content) : new DisplayContent([], '', '', '', '');
    }

    public function askSignature(Till $till, string $for, string $amount): void
    {
        Cache::put(self::signs($this->choices->at($till, DeviceKind::Display)), [
            'for' => $for, 'amount' => $amount, 'path' => null,
        ], self::WAITS);
    }

    public function signature(Till $till, string $for): ?string
    {
        $asked = self::asked($this->choices->at($till, DeviceKind::Display));

        return ($asked['for'] ?? null) === $for ? $asked['path'] ?? null : null;
    }

    public function signatureTaken(Till $till): void
    {
        Cache::forget(self::signs($this->choices->at($till, DeviceKind::Display)));
    }

    /**
     * What somebody is asked to sign there.
     *
     * @return array{for: string, amount: string, path: string|null}|null null: nothing
     */
    public static function asked(Till $till): ?array
    {
        $asked = Cache::get(self::signs($till));

        return is_array($asked) ? [
            'for' => (string) $asked['for'],
            'amount' => (string) $asked['amount'],
            'path' => is_string($asked['path']) ? $asked['path'] : null,
        ] : null;
    }

    /** Somebody signed there. */
    public static function sign(Till $till, string $path): void
    {
        $asked = self::asked($till);
        $asked === null || Cache::put(self::signs($till), [...$asked, 'path' => $path], self::WAITS);
    }

    private static function signs(Till $till): string
    {
        return "signs:{$till->id}";
    }
}
