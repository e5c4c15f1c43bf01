<?php

declare(strict_types=1);

namespace Stemmata;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\DependencyInjection\Compiler\CompilerPassInterface;
use Symfony\Component\DependencyInjection\ContainerBuilder;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel implements CompilerPassInterface
{
    use MicroKernelTrait;

    /**
     * Looking for #[Cache], which nothing here has, it would make objects of all OpenAPI attributes in each request.
     */
    public function process(ContainerBuilder $container): void
    {
        $container->removeDefinition('controller.cache_attribute_listener');
    }
}
