<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Shop;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use JsonException;

/** Makes a shop from a file, without a browser: all of it or nothing. docs/setting-up.md says what the file has. */
final class InstallCommand extends Command
{
    protected $signature = 'shop:install {--from= : a JSON file}';

    protected $description = 'Make and open the shop that a file describes';

    public function handle(Sections $sections, KeepSection $keep, OpenShop $open): int
    {
        if (Shop::query()->whereNotNull('opened_at')->exists()) {
            $this->error('There is a shop in this database already.');

            return self::FAILURE;
        }

        try {
            $file = $this->file();
            $unknown = array_diff(array_keys($file), array_keys($sections->all()));
            $unknown === [] || throw Refused::because(
                'bad_file',
                'The file has “'.implode('”, “', $unknown).'”, and nothing of that name can be set. There is: '
                    .implode(', ', array_keys($sections->all())).'.',
            );
            DB::transaction(function () use ($file, $sections, $keep, $open): void {
                foreach ($sections->all() as $key => $section) {
                    isset($file[$key]) && $this->keep($keep, $section, $key, $file[$key]);
                }

                $open->handle();
            });
        } catch (Refused $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        } catch (ValidationException $refused) {
            foreach ($refused->errors() as $field => $words) {
                $this->error("{$field}: ".implode(' ', $words));
            }

            return self::FAILURE;
        }

        $this->info('The shop is open.');

        return self::SUCCESS;
    }

    /** @throws ValidationException with the names of its fields as they stand in the file */
    private function keep(KeepSection $keep, Section $section, string $key, mixed $given): void
    {
        $isRows = is_array($given) && array_is_list($given) && $given !== [];
        $own = is_array($given) ? $given : [];

        try {
            $keep->handle($section, $isRows ? [$key => $own] : $own, null);
        } catch (ValidationException $refused) {
            $named = [];

            foreach ($refused->errors() as $field => $words) {
                $named[$isRows ? $field : "{$key}.{$field}"] = $words;
            }

            throw ValidationException::withMessages($named);
        }
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Refused bad_file
     */
    private function file(): array
    {
        $path = $this->option('from');
        $text = is_string($path) && is_file($path) ? file_get_contents($path) : false;

        if ($text === false) {
            throw Refused::because('bad_file', 'Say where the file is: shop:install --from=shop.json');
        }

        try {
            $file = json_decode($text, true, 16, JSON_THROW_ON_ERROR);
        } catch (JsonException $failure) {
            throw Refused::because('bad_file', "The file is no JSON: {$failure->getMessage()}.");
        }

        $named = [];

        foreach (is_array($file) ? $file : [] as $key => $given) {
            $named[(string) $key] = $given;
        }

        return $named;
    }
}
