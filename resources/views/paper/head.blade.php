<meta charset="utf-8">
<title>{{ $paperTitle ?? $document->title().' '.$document->label }}</title>
@if($pdf ?? false)
    <style>
        @font-face { font-family: elmstone; font-weight: normal; src: url('{{ resource_path('fonts/next-400.ttf') }}')
            format('truetype'); }
        @font-face { font-family: elmstone; font-weight: bold; src: url('{{ resource_path('fonts/next-700.ttf') }}')
            format('truetype'); }
        @font-face { font-family: elmstone-mono; font-weight: normal;
            src: url('{{ resource_path('fonts/mono-400.ttf') }}') format('truetype'); }
        @page { margin: {{ ($roll ?? false) ? '4mm' : '18mm 15mm' }}; }
        {!! file_get_contents(resource_path('css/_paper-body.scss')) !!}
    </style>
@else
    @vite('resources/css/paper.scss')
@endif
