<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $title }} · Elmstone</title><link rel="icon" href="/favicon.svg" type="image/svg+xml">
@vite(['resources/css/app.scss'])</head>
<body><main class="sign-in"><h1>{{ $title }}</h1><p>{{ $text }}</p>
@php($number = Illuminate\Support\Facades\Context::get('request'))
@isset($shows)@isset($number)<p class="soft small">Number of this request: <span class="code">{{ $number }}</span></p>
@endisset @endisset<p>
<a class="quiet-act" href="/counter">To the counter</a></p></main></body>
</html>
