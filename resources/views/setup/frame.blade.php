<!doctype html>
<html lang="en">
<head>@include('design.head', ['title' => 'Setting up'])</head>
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
