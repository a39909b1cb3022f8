<?php

declare(strict_types=1);

/*
 * Takes the picture of setting up a shop that is empty. Arguments: its address, the key of its machine, the folder.
 */

use Elmstone\Tests\Browser\Chromium;
use Elmstone\Tests\Browser\Clerk;

require dirname(__DIR__, 2).'/vendor/autoload.php';

[, $address, $key, $folder] = $argv;
$chromium = new Chromium;
$clerk = new Clerk($chromium->window(), $address);
$clerk->go("/setup?key={$key}")->type('#name', 'Tannery Row Builders’ Supply');
$clerk->type('#country', 'US')->type('#currency', 'USD')->click('.main-act')->awaitText('h1', 'Taxes');
$clerk->go('/setup/taxes?example=us')->awaitText('.note', 'Made-up');
$clerk->browser->takeScreenshot("{$folder}/set-up.png");
$clerk->browser->quit();
