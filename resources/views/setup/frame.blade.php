<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <title>@yield('title', 'Setting up') · Elmstone</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    @vite(['resources/css/app.scss', 'resources/js/app.js'])
</head>
<body>
<a class="skip" href="#main">Skip to the page</a>
<header class="top"><span class="name">Elmstone</span><span>Setting up a shop</span></header>
<main id="main" class="set-up">
    @isset($steps)<nav aria-label="Steps"><ol>@foreach($steps as $key => $step)<li
        @class(['kept' => in_array($key, $kept, true)])><a href="{{ route('setup.step', $key) }}"
        @if($key === $here) aria-current="step" @endif>{{ $step->title() }}</a>
        @if(in_array($key, $kept, true))<span class="done">kept</span>@endif</li>
        @endforeach<li><a href="{{ route('setup') }}" @if($here === null) aria-current="step" @endif>Open</a></li></ol>
    </nav>@endisset
    <div class="step">@yield('step')</div>
</main>
</body>
</html>
