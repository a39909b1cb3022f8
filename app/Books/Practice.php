<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Closure;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Settings;
use Illuminate\Support\Facades\DB;

/**
 * What is posted at a till for training: all of it happens, is looked at, and is taken back in the same transaction.
 * Nothing else is posted at such a till.
 */
final class Practice
{
    private bool $isOn = false;

    public function __construct(private readonly Settings $settings)
    {
    }

    public function isOn(): bool
    {
        return $this->isOn;
    }

    /**
     * Posts, and takes it back.
     *
     * @template T
     *
     * @param  Closure(): T  $post
     * @return T what it gives of what stood there for a moment
     *
     * @throws Refused what the posting refuses
     */
    public function of(Closure $post): mixed
    {
        $this->isOn = true;

        try {
            DB::transaction(static fn () => throw new TakenBack($post()));
        } catch (TakenBack $done) {
            /** @var T $seen */
            $seen = $done->seen;

            return $seen;
        } finally {
            $this->isOn = false;
        }
    }

    /** @throws Refused training */
    public function assertMayPost(int $till): void
    {
        if (! $this->isOn && $this->settings->till($till)->training) {
            throw Refused::because('training', 'This till is for training: nothing is posted at it. Use another till.');
        }
    }
}
