<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Carbon\CarbonImmutable;
use Elmstone\Books\Accounts;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\SettingRecord;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Shop;
use Illuminate\Support\Facades\DB;

/** Opens a shop that was set up. From then on people sign in, and the pages of setting up are gone. */
final readonly class OpenShop
{
    public function __construct(private Sections $sections, private Settings $settings)
    {
    }

    /** @throws Refused not_ready */
    public function handle(): void
    {
        DB::transaction(function (): void {
            $shop = Shop::query()->lockForUpdate()->first();
            $missing = array_map(
                static fn (Section $section): string => lcfirst($section->title()),
                array_filter($this->sections->steps(), static fn (Section $section): bool => ! $section->isReady()),
            );
            $missing === [] && $shop !== null || throw Refused::because(
                'not_ready',
                'Not yet: there is nothing kept of '.implode(', ', $missing).'.',
            );

            if ($shop->opened_at === null) {
                Accounts::open();
                $shop->update(['opened_at' => CarbonImmutable::now()]);
                SettingRecord::write('Shop', ['The shop' => ['set up', 'open']], null);
            }
        });
        $this->settings->forget();
    }
}
