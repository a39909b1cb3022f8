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
}
