{{-- What every page begins with. $title: what it is called where it says nothing itself. --}}
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="csrf-token" content="{{ csrf_token() }}">
<title>@yield('title', $title) · Elmstone</title>
<link rel="icon" href="/favicon.svg" type="image/svg+xml">
@vite(['resources/css/app.scss', 'resources/js/app.js'])
